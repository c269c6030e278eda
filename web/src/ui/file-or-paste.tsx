/** A text out of a file, or pasted. */
export function FileOrPaste(props: {
  accept: string;
  text: string;
  placeholder: string;
  onText: (text: string) => void;
}) {
  return (
    <>
      <label className="mt-2 block">
        <span className="quiet text-sm">A file</span>
        <input
          type="file"
          accept={props.accept}
          className="file-input touch w-full"
          onChange={(event) => {
            void event.target.files?.[0]?.text().then((text) => props.onText(text.replace(/^\uFEFF/, '')));
          }}
        />
      </label>
      <label className="mt-2 block">
        <span className="quiet text-sm">Or paste it here</span>
        <textarea
          className="textarea w-full font-mono text-sm"
          rows={3}
          value={props.text}
          onChange={(event) => props.onText(event.target.value)}
          placeholder={props.placeholder}
        />
      </label>
    </>
  );
}

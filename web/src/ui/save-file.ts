/** Sent to the window with each file that is saved: whoever keeps a trace listens. */
export const FILE_SAVED = 'inner-rung-file-saved';

/** Hands a file to the browser to save. */
export function saveFile(name: string, type: string, body: string | Blob): void {
  const url = URL.createObjectURL(new Blob([body], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
  window.dispatchEvent(new Event(FILE_SAVED));
}

/** Hands a file to the browser to save. */
export function saveFile(name: string, type: string, body: string | Blob): void {
  const url = URL.createObjectURL(new Blob([body], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** A number (32 bits, none negative) from a text, the same every time: FNV-1a over its UTF-16 units. */
export function numberOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

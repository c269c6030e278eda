import { createHash } from 'node:crypto';

const hashOf = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;
const inside = (html: string, element: RegExp): string[] =>
  [...html.matchAll(element)].map(([, , text]) => hashOf(text!));

/**
 * The session pack with a content policy of its own: what is in the file runs, by its hash, and nothing else does; it
 * asks nobody for anything. A session is data and needs no hash.
 */
export function withPolicy(html: string): string {
  const scripts = inside(html, /<script(?![^>]*application\/json)([^>]*)>([\s\S]*?)<\/script>/g);
  const styles = inside(html, /<style([^>]*)>([\s\S]*?)<\/style>/g);
  const policy = [
    "default-src 'none'",
    `script-src ${scripts.join(' ') || "'none'"}`,
    `style-src ${styles.join(' ') || "'none'"}`,
    'img-src data: blob:',
    'font-src data:',
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ');
  return html.replace(
    '<head>',
    `<head>\n    <meta http-equiv="Content-Security-Policy" content="${policy}" />`,
  );
}

import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** What a page of an address begins with, as the built interface says it. */
interface First {
  /** "/plan/:id": a part with a colon stands for any, one that ends in a question mark may be left out. */
  readonly path: string;
  readonly scripts: readonly string[];
  /** Under /api/, with the parts of the address that they name. */
  readonly needs: readonly string[];
}

/** What an address says for each part of a pattern that stands for any; null where it is another's. */
function matched(pattern: string, path: string): Readonly<Record<string, string>> | null {
  const parts = pattern.split('/');
  const said = path.split('/');
  if (said.length > parts.length) return null;
  const found: Record<string, string> = {};
  for (const [i, part] of parts.entries()) {
    const one = said[i];
    if (one === undefined) {
      if (!part.endsWith('?')) return null;
    } else if (part.startsWith(':')) found[part.slice(1).replace('?', '')] = one;
    else if (part !== one) return null;
  }
  return found;
}

/** Of an address only what is an id as it stands: nothing else is written into a page. */
const IS_ID = /^[\w%.~-]+$/;

/**
 * The one page, by the address that is asked for: what is shown there is named in its head, so that the browser fetches
 * it while it reads the scripts that will ask for it.
 */
export function pages(web: string): (path: string) => string {
  const html = readFileSync(join(web, 'index.html'), 'utf8');
  const list = join(web, 'first.json');
  const table = existsSync(list) ? (JSON.parse(readFileSync(list, 'utf8')) as First[]) : [];
  return (path) => {
    for (const { path: pattern, scripts, needs } of table) {
      const said = matched(pattern, path.replace(/(.)\/$/, '$1'));
      if (!said) continue;
      const links = scripts.map((script) => `<link rel="modulepreload" crossorigin href="${script}">`);
      for (const need of needs) {
        const parts = need.split('/').map((part) => (part.startsWith(':') ? said[part.slice(1)] : part));
        if (parts.every((part) => part !== undefined && IS_ID.test(part)))
          links.push(`<link rel="preload" as="fetch" crossorigin href="/api/${parts.join('/')}">`);
      }
      return html.replace('</head>', `${links.join('')}</head>`);
    }
    return html;
  };
}

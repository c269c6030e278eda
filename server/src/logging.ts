/** What a log may say of an address: what was asked for, of which kind, and never of whom or with which token. */
const SAID = new Set(
  'api runs people plans groups rooms records library network health ask read openapi.json set-aside erased cards sign-in sign-out p c events stream now pack links erase taken'.split(
    ' ',
  ),
);

/** An address as it may stand in a log: `/api/people/…/erase`. */
export function loggedPath(url: string): string {
  const [path] = url.split('?');
  const parts = path!.split('/');
  // Questions are named after "ask"; they are no ids.
  return parts
    .map((part, i) => (part === '' || SAID.has(part) || parts[i - 1] === 'ask' || i <= 2 ? part : '…'))
    .join('/');
}

interface Asked {
  readonly id?: unknown;
  readonly method?: string;
  readonly url?: string;
}

/** No header, no cookie, no body: health words and tokens stand in all of them. */
export const serializers = {
  req: ({ id, method, url = '' }: Asked) => ({ id, method, path: loggedPath(url) }),
  res: ({ statusCode }: { readonly statusCode?: number }) => ({ status: statusCode }),
};

/** A text as an id is written: small letters and digits with single hyphens; `otherwise` where nothing is left of it. */
export const slugOf = (text: string, most: number, otherwise: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, most)
    .replace(/-+$/, '') || otherwise;

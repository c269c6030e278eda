import type { NextFunction, Request, Response } from 'express';
import { addresses } from './network.ts';
import { ProblemError } from './problem.ts';

/** Names of this machine that nobody else can give to theirs. */
const OWN_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);

/** The name in a Host header, without its port; null where it is no name at all. */
function hostName(header: string | undefined): string | null {
  const match = /^(\[[0-9a-f:.]+\]|[^:/?#@\s]+)(?::\d{1,5})?$/i.exec(header ?? '');
  return match ? match[1]!.toLowerCase() : null;
}

/**
 * Lets in only who asks for this machine by a name that is its own: the loopback names, its addresses on the local
 * network, and those the trainer allowed. A page elsewhere can make its own name point here, and would otherwise read
 * and write everything as if it were ours.
 */
export function hostGuard(allowed: readonly string[]) {
  const named = new Set(allowed.map((name) => name.toLowerCase()));
  return (request: Request, _response: Response, next: NextFunction): void => {
    const name = hostName(request.get('host'));
    if (name !== null && (OWN_NAMES.has(name) || named.has(name) || addresses().includes(name))) next();
    else
      throw new ProblemError({
        status: 421,
        title: 'Not by this name',
        detail: `This machine doesn’t answer to “${name ?? request.get('host') ?? ''}”.`,
        fix: 'Open http://localhost with its port; to allow another name, start with HOSTS=that-name.',
      });
  };
}

/** Only our own pages may change anything. */
export function originGuard(request: Request, _response: Response, next: NextFunction): void {
  const origin = request.get('origin');
  const host = request.get('host');
  if (
    request.method !== 'GET' &&
    origin !== undefined &&
    origin !== `http://${host}` &&
    origin !== `https://${host}`
  )
    throw new ProblemError({
      status: 403,
      title: 'Another page asked',
      detail: 'Only Inner Rung’s own pages may change anything.',
    });
  next();
}

/** Deeper than any document of ours goes. */
const DEEPEST = 40;

/** Where a value is nested deeper than may be; null where it isn't. Goes level by level, not by calling itself. */
function tooDeepAt(body: unknown): string | null {
  let level: { value: unknown; path: string }[] = [{ value: body, path: '' }];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEEPEST) return level[0]!.path;
    level = level.flatMap(({ value, path }) =>
      typeof value === 'object' && value !== null
        ? Object.entries(value).map(([key, inner]) => ({
            value: inner,
            path: path.length > 100 ? path : path ? `${path}.${key}` : key,
          }))
        : [],
    );
  }
  return null;
}

export function depthGuard(request: Request, _response: Response, next: NextFunction): void {
  const at = tooDeepAt(request.body);
  if (at !== null)
    throw new ProblemError({
      status: 400,
      title: 'Nested too deeply',
      detail: `This goes more than ${DEEPEST} levels deep.`,
      field: at,
      fix: 'No document needs that: send it as its format says.',
    });
  next();
}

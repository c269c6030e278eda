import { readdirSync } from 'node:fs';
import { extname } from 'node:path';
import express, { type Handler, Router } from 'express';

/** Whether who asks reads gzip. */
export const readsGzip: (accepts: string | undefined) => boolean = (accepts) =>
  /\bgzip\b/.test(accepts ?? '');

/**
 * The built interface's files, whose names change with what is in them. Those that were packed when they were built
 * are sent as they lie: packing them again for each page would take longer than all else that the page asks for.
 */
export function assets(folder: string): Handler {
  const packed = new Set(readdirSync(folder).filter((name) => name.endsWith('.gz')));
  const router = Router();
  router.use((request, response, next) => {
    if (packed.has(`${request.path.slice(1)}.gz`) && readsGzip(request.get('accept-encoding'))) {
      response.set({ 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' }).type(extname(request.path));
      request.url = request.url.replace(request.path, `${request.path}.gz`);
    }
    next();
  });
  router.use(express.static(folder, { immutable: true, maxAge: '1y', fallthrough: false }));
  return router;
}

import type { Request } from 'express';

export const COOKIE = 'inner-rung';
/** This machine itself. */
const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** The listener on the local network, next to the one on this machine alone. */
export interface Door {
  /** Its port while it is open; null while it is shut. */
  readonly port: () => number | null;
  /** What a phone compares while it is open and sealed; null while nobody vouches for anything. */
  readonly fingerprint: () => string | null;
  /** `sealed`: by HTTPS with this machine's own certificate, so that nobody on the network reads along. */
  readonly open: (sealed: boolean) => Promise<void>;
  readonly shut: () => Promise<void>;
}

/** Whether a request comes from somewhere else than this machine. */
export const fromNetwork = (request: Request, door: Door | undefined): boolean => {
  const open = door?.port() ?? null;
  const { localPort, remoteAddress = '' } = request.socket;
  // Behind something that passes requests on everybody seems to come from here.
  const passedOn = ['x-forwarded-for', 'forwarded', 'x-real-ip', 'via'].some((header) => request.get(header));
  if (passedOn) return true;
  return (open !== null && localPort === open) || !LOOPBACK.test(remoteAddress);
};

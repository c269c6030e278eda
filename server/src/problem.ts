import type { ErrorRequestHandler, Response } from 'express';

/** RFC 9457 problem details, with the field it is about and what to do. */
export interface Problem {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly field?: string;
  readonly fix?: string;
  /** The revision that stands, when the problem is a stale one. */
  readonly revision?: number;
}

export class ProblemError extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

export function sendProblem(response: Response, problem: Problem): void {
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', ...problem }));
}

interface BodyError {
  type?: string;
  status?: number;
}

/** The last handler: everything thrown becomes problem details; only our own faults are 500. */
export const problemHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  if (error instanceof ProblemError) return sendProblem(response, error.problem);
  const { type, status } = error as BodyError;
  if (type === 'entity.too.large')
    return sendProblem(response, {
      status: 413,
      title: 'Too large',
      detail: 'This is larger than one document may be (512 kB).',
      fix: 'Split the circuit in two.',
    });
  if (type === 'entity.parse.failed')
    return sendProblem(response, {
      status: 400,
      title: 'Not JSON',
      detail: 'The body isn’t well-formed JSON.',
      fix: 'Send one JSON object.',
    });
  if (typeof status === 'number' && status >= 400 && status < 500)
    return sendProblem(response, {
      status,
      title: 'Bad request',
      detail: 'The request could not be read.',
    });
  const { code = '' } = error as { code?: string };
  if (code.startsWith('SQLITE_FULL') || code === 'ENOSPC')
    return sendProblem(response, {
      status: 507,
      title: 'The disk is full',
      detail:
        'There is no room left on the disk of the machine that keeps the data. Nothing was saved by this request.',
      fix: 'Make some room; what waits here is saved by itself once there is.',
    });
  request.log?.error({ err: error }, 'request failed');
  return sendProblem(response, {
    status: 500,
    title: 'Our fault',
    detail: 'Something went wrong on the server. Nothing was saved by this request.',
    fix: 'Try again; the log says more.',
  });
};

import type { ErrorRequestHandler } from 'express';
import { z } from 'zod';
import { diskTrouble } from '../database/problems';
import { NotRead } from '../jobs/readers';

/** A problem document (RFC 9457) with an error for each field that has one. */
export const ProblemDocument = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});
export type ProblemDocument = z.infer<typeof ProblemDocument>;
type FieldErrors = NonNullable<ProblemDocument['errors']>;

/** An answer that is a problem: what happened, and what to do, in a sentence or two. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors?: FieldErrors,
  ) {
    super(title);
  }

  toDocument(): ProblemDocument {
    const { status, title, detail, errors } = this;
    return { type: 'about:blank', title, status, detail, ...(errors ? { errors } : {}) };
  }
}

/** Zod's issues by field, in words. */
export function fieldErrors(error: z.ZodError): FieldErrors {
  return error.issues.map((issue) => ({ field: issue.path.join('.'), message: issue.message }));
}

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof NotRead)
    return error.why === 'busy'
      ? new Problem(503, 'Too many files', `${error.message} Nothing was changed; try again in a moment.`)
      : new Problem(
          422,
          'Not read',
          `${error.message} Nothing was changed. Leave out what is not needed, or save the list as CSV.`,
        );
  const disk = diskTrouble(error);
  if (disk) return new Problem(507, 'No room on the server', disk);
  const type = (error as { type?: string }).type;
  if (type === 'entity.too.large')
    return new Problem(413, 'Too large', 'This is larger than the server takes. Nothing was saved.');
  if (type === 'entity.parse.failed')
    return new Problem(400, 'Not readable', 'The body is no valid JSON. Nothing was saved.');
  if ((error as { status?: number }).status === 415)
    return new Problem(415, 'Not taken so', 'The body has to come unpacked and in UTF-8. Nothing was saved.');
  if ((error as { status?: number }).status === 400)
    return new Problem(400, 'Not readable', 'The request cannot be read. Nothing was saved.');
  console.error(error);
  return new Problem(500, 'Something broke here', 'The server met an error of its own. Try again.');
}

/** The one place where errors end. */
export const answerProblems: ErrorRequestHandler = (error, _request, response, next) => {
  // Whoever asked has gone, and what was made for them was ended.
  if (response.destroyed && (error as Error).name === 'AbortError') return;
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = asProblem(error);
  response.status(problem.status).type('application/problem+json').json(problem.toDocument());
};

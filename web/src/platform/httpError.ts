import type { Failure } from '@inchstep/contract/shared';

/** A refusal or failure of the server, with words to show. */
export class HttpError extends Error {
  readonly status: number;
  readonly failure: Failure;

  constructor(status: number, failure: Failure) {
    super(failure.message);
    this.status = status;
    this.failure = failure;
  }
}

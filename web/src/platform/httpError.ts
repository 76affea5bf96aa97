import type { Failure } from '@inchstep/contract/shared';

/** An error whose message is written for whoever sees it. */
export class ToldError extends Error {}

/** A refusal or failure of the server, with words to show. */
export class HttpError extends ToldError {
  readonly status: number;
  readonly failure: Failure;

  constructor(status: number, failure: Failure) {
    super(failure.message);
    this.status = status;
    this.failure = failure;
  }

  /** Sending the same again would be refused again (a busy server or a lost line may take it later). */
  get final(): boolean {
    return this.status >= 400 && this.status < 500 && this.status !== 408 && this.status !== 429;
  }
}

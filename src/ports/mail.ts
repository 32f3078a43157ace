export interface Letter {
  to: string;
  subject: string;
  body: string;
}

/** Sends one letter to the outside world. Throws if it could not be handed over; the queue tries again. */
export interface MailPort {
  readonly simulated: boolean;
  send(letter: Letter): Promise<void>;
}

import { hasRole, type Session } from './session';

/** Whoever asks, being somebody of the office. */
export type Member = Session & { personId: string };

/** Nothing has changed where it is refused. */
export type ReplyOr<Refusal> = { ok: true } | { ok: false; reason: Refusal };

/** What is done at each kind of request, at an instant in epoch milliseconds. */
export type Handlers<Request extends { type: string }, Refusal> = {
  readonly [Type in Request['type']]: (
    by: Member,
    request: Extract<Request, { type: Type }>,
    at: number,
  ) => ReplyOr<Refusal>;
};

export const done: { ok: true } = { ok: true };
export const refused = <Refusal>(reason: Refusal): { ok: false; reason: Refusal } => ({ ok: false, reason });

/** Has a request done by its handler; `notAMember` is what anybody else is told. */
export function handle<Request extends { type: string }, Refusal>(
  handlers: Handlers<Request, Refusal>,
  { session, request, at }: { session: Session; request: Request; at: number },
  notAMember: Refusal,
): ReplyOr<Refusal> {
  const { personId } = session;
  if (personId === null || !hasRole(session, 'member')) return refused(notAMember);
  const act = handlers[request.type as Request['type']] as (
    by: Member,
    asked: Request,
    at: number,
  ) => ReplyOr<Refusal>;
  return act({ ...session, personId }, request, at);
}

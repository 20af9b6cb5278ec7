/** What a person can get wrong comes back as a value; only a broken contract throws. */
export type Result<Value, Fault> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly fault: Fault };

export function success<Value>(value: Value): { readonly ok: true; readonly value: Value } {
  return { ok: true, value };
}

export function failure<Fault>(fault: Fault): { readonly ok: false; readonly fault: Fault } {
  return { ok: false, fault };
}

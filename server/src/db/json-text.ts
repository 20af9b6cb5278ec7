/** A list as the JSON that PostgreSQL printed: it goes into an answer without being read and printed again. */
export class JsonText<Value> {
  readonly text: string;
  /** Only for the type: what the text says. */
  declare readonly value: Value;

  constructor(text: string) {
    this.text = text;
  }

  read(): Value {
    return JSON.parse(this.text) as Value;
  }
}

/** An answer in which lists may stand as their JSON. */
export type Told<Answer> = Answer extends readonly unknown[]
  ? Answer | JsonText<Answer>
  : Answer extends object
    ? { readonly [Key in keyof Answer]: Told<Answer[Key]> }
    : Answer;

/** Prints an answer; no text from the database or a request body can hold the mark that stands for a list. */
export function printAnswer(answer: unknown): string {
  const texts: string[] = [];
  const printed = JSON.stringify(answer, (_, value: unknown) =>
    value instanceof JsonText ? `\u0000${texts.push(value.text) - 1}` : value,
  );
  return texts.length === 0
    ? printed
    : printed.replace(/"\\u0000(\d+)"/g, (mark, index: string) => texts[Number(index)] ?? mark);
}

/** The column `text`: the rows of a query as one JSON list, in the given order. */
export function listAsJson(column: string, order: string): string {
  return `'[' || COALESCE(string_agg((${column})::text, ',' ORDER BY ${order}), '') || ']' AS text`;
}

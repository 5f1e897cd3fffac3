/** An answer that says no, with a code for machines and a sentence for people. */
export class Refused extends Error {
  readonly status: number;
  readonly code: string;
  readonly fields: Readonly<Record<string, string[]>>;
  constructor(status: number, code: string, message: string, fields: Record<string, string[]> = {}) {
    super(message);
    this.status = status;
    this.code = code;
    this.fields = fields;
  }
}

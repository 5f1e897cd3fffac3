import { fit, plainText, wordsOf } from "@keel-round/core/find";

/** Things by name, as files name them. */
interface Named {
  readonly id: string;
  readonly name: string;
  /** The site of a tank: two sites may have a tank of the same name. */
  readonly within?: string;
}

/** Answers that are remembered: more names than a file usually holds. */
const MOST_ANSWERS = 20_000;

const key = (name: string) =>
  plainText(name)
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

/** Finds things by the names that a file uses for them: capitals, accents and signs do not count. */
export class NameIndex {
  private readonly byName = new Map<string, Named[]>();
  private readonly answers = new Map<string, Named | string>();
  constructor(
    private readonly all: readonly Named[],
    private readonly what: string,
  ) {
    for (const thing of all)
      for (const name of thing.within === undefined
        ? [thing.name]
        : [thing.name, `${thing.name}, ${thing.within}`, `${thing.within}, ${thing.name}`]) {
        const list = this.byName.get(key(name)) ?? [];
        list.push(thing);
        this.byName.set(key(name), list);
      }
  }

  /** The thing of a name, or a sentence that says why there is none and what may be meant. */
  find(name: string, within?: string): Named | string {
    // A file names the same few things again and again.
    const asked = `${name}|${within ?? ""}`;
    const known = this.answers.get(asked);
    if (known !== undefined) return known;
    if (this.answers.size >= MOST_ANSWERS) this.answers.clear();
    const answer = this.look(name, within);
    this.answers.set(asked, answer);
    return answer;
  }

  private look(name: string, within?: string): Named | string {
    const found = (this.byName.get(key(name)) ?? []).filter(
      (t) => within === undefined || t.within === undefined || key(t.within) === key(within),
    );
    const one = found[0];
    if (one && found.length === 1) return one;
    if (found.length > 1)
      return `There are ${found.length} ${this.what}s called “${name}”. Say which by its ${one?.within === undefined ? "id" : "site"}.`;
    const near = this.nearest(name);
    return `There is no ${this.what} called “${name}” here${near ? `. Did you mean “${near.name}”?` : "."}`;
  }

  /** The thing that is called nearly so: another spelling of the same name. */
  nearest(name: string): Named | null {
    const asked = wordsOf(name);
    let best: { thing: Named; score: number } | null = null;
    for (const thing of this.all) {
      const known = wordsOf(thing.name);
      const fits = asked.map((a) => Math.max(0, ...known.map((k) => Math.max(fit(a, k), fit(k, a)))));
      const score = fits.reduce((sum, f) => sum + f, 0) / Math.max(asked.length, known.length, 1);
      if (score > (best?.score ?? 0.5)) best = { thing, score };
    }
    return best?.thing ?? null;
  }
}

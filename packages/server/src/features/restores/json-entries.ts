import { refuseFile } from './refusal.ts';

/**
 * One part of the object a file is: a field of it, or one element of the array in its field `systems`; as text, which is not
 * parsed yet.
 */
export type JsonEntry =
  { readonly is: 'field'; readonly text: string } | { readonly is: 'system'; readonly text: string };

/** The largest part, bytes: a system with some 100 000 readings. */
const MOST_BYTES = 64 * 1024 * 1024;
/** Nothing in a firm's file is nested deeper. */
const DEEPEST = 48;

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const [OPEN_BRACE, CLOSE_BRACE, OPEN_BRACKET, CLOSE_BRACKET] = [0x7b, 0x7d, 0x5b, 0x5d];
const SYSTEMS = /^\s*"systems"\s*:\s*$/;
const isSpace = (byte: number): boolean => byte === 0x20 || (byte >= 0x09 && byte <= 0x0d);

/**
 * Finds where the parts of a file begin and end, by its quotes and brackets alone; whether each of them is JSON is for the
 * parser to say. No more than one part is held, and none beyond a size or a depth: a parser of whole documents would hold
 * what a stranger sends.
 */
class Scanner {
  private depth = 0;
  private inString = false;
  private isEscaped = false;
  private inSystems = false;
  private isOver = false;
  private readonly held: Buffer[] = [];
  private bytes = 0;

  get isWhole(): boolean {
    return this.isOver;
  }

  private hold(some: Buffer): void {
    this.bytes += some.length;
    if (this.bytes > MOST_BYTES) refuseFile(`One part of it is larger than ${MOST_BYTES / 1024 / 1024} MB.`);
    if (some.length > 0) this.held.push(some);
  }

  private take(): string {
    const text = Buffer.concat(this.held).toString('utf8');
    this.held.length = 0;
    this.bytes = 0;
    return text;
  }

  /** Depth at which parts are parted: within the object, or within its systems. */
  private get floor(): number {
    return this.inSystems ? 2 : 1;
  }

  private *part(): Generator<JsonEntry> {
    const text = this.take();
    if (text.trim() !== '') yield { is: this.inSystems ? 'system' : 'field', text };
  }

  private opens(byte: number): boolean {
    this.depth += 1;
    if (this.depth > DEEPEST) refuseFile('It is nested deeper than any file of a firm.');
    if (this.depth === 1) {
      if (byte !== OPEN_BRACE) refuseFile('It is no JSON file, nor an archive with one.');
      return true;
    }
    if (byte !== OPEN_BRACKET || this.depth !== 2 || this.inSystems || this.bytes > 200) return false;
    if (!SYSTEMS.test(Buffer.concat(this.held).toString('utf8'))) return false;
    this.take();
    this.inSystems = true;
    return true;
  }

  /** The parts that end within some more of the file. */
  *scan(chunk: Buffer): Generator<JsonEntry> {
    let from = 0;
    for (let at = 0; at < chunk.length; at += 1) {
      const byte = chunk[at]!;
      if (this.inString) {
        if (this.isEscaped) this.isEscaped = false;
        else if (byte === BACKSLASH) this.isEscaped = true;
        else if (byte === QUOTE) this.inString = false;
        continue;
      }
      if (this.isOver) {
        if (!isSpace(byte)) refuseFile('There is something behind its end.');
        from = at + 1;
      } else if (byte === QUOTE && this.depth > 0) this.inString = true;
      else if (byte === OPEN_BRACE || byte === OPEN_BRACKET) {
        // What stands before it, for the name of the field.
        if (this.depth < 2) {
          this.hold(chunk.subarray(from, at));
          from = at;
        }
        if (this.opens(byte)) from = at + 1;
      } else if (byte === CLOSE_BRACE || byte === CLOSE_BRACKET) {
        const ends = this.depth === this.floor;
        if (ends) {
          this.hold(chunk.subarray(from, at));
          from = at + 1;
          yield* this.part();
          if (this.inSystems) this.inSystems = false;
          else this.isOver = true;
        }
        this.depth -= 1;
        if (this.depth < 0) refuseFile('It is no JSON file, nor an archive with one.');
      } else if (byte === COMMA && this.depth === this.floor) {
        this.hold(chunk.subarray(from, at));
        from = at + 1;
        yield* this.part();
      } else if (this.depth === 0 && !isSpace(byte) && !isMark(byte))
        refuseFile('It is no JSON file, nor an archive with one.');
    }
    this.hold(chunk.subarray(from));
  }
}

/** The three bytes some programs set before a text in UTF-8. */
const isMark = (byte: number): boolean => byte === 0xef || byte === 0xbb || byte === 0xbf;

/** The parts of a JSON object, one after the other. Throws FileRefused where it is none, is cut short, or is beyond bounds. */
export async function* jsonEntries(source: AsyncIterable<Buffer>): AsyncGenerator<JsonEntry> {
  const scanner = new Scanner();
  for await (const chunk of source) yield* scanner.scan(chunk);
  if (!scanner.isWhole) refuseFile('It was cut short.');
}

/** What a part says: a field as its name and value, a system as it is. Throws FileRefused where it is no JSON. */
export function parsedEntry({ is, text }: JsonEntry): unknown {
  try {
    return JSON.parse(is === 'field' ? `{${text}}` : text) as unknown;
  } catch {
    return refuseFile('It is no JSON file, nor an archive with one.');
  }
}

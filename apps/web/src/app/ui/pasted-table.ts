import { computed, signal } from '@angular/core';
import { decodeText, readTable } from '@druckerei/formats/tables';
import { tableColumns, withColumn } from './column-table';

type Columns<T extends string> = Partial<Record<T, number>>;

/** A table that is pasted or read out of a file: its lines, and what stands in which column. */
export class PastedTable<T extends string> {
  readonly text = signal('');
  /** Place of each column that is told. */
  readonly chosen = signal<Columns<T>>({});
  private readonly isHeaded = signal(true);
  readonly table = computed(() => readTable(this.text()));
  /** None where the first line is one like the others. */
  readonly headings = computed(() => (this.isHeaded() ? (this.table().rows[0] ?? []) : undefined));
  readonly rows = computed(() => this.table().rows.slice(this.isHeaded() ? 1 : 0));
  /** Number of the first of the rows in the text. */
  readonly firstLine = computed(() => (this.isHeaded() ? 2 : 1));
  readonly preview = computed(() => this.rows().slice(0, this.shown));
  readonly columns = computed(() => tableColumns(this.preview(), this.headings(), this.chosen()));

  /** @param guess columns that headings tell; @param shown lines that are shown of it. */
  constructor(
    private readonly guess: (headings: readonly string[]) => Columns<T>,
    private readonly shown: number,
  ) {}

  /** Begins with another text; columns are guessed where more than one of its headings is understood. */
  take(text: string): void {
    this.text.set(text);
    const guessed = this.guess(this.table().rows[0] ?? []);
    this.isHeaded.set(Object.keys(guessed).length > 1);
    this.chosen.set(this.isHeaded() ? guessed : {});
  }

  /** Says what stands in a column; nothing stands in two of them. @param is empty leaves it out. */
  choose(at: number, is: T | ''): void {
    this.chosen.update((before) => withColumn(before, at, is));
  }
}

/** The text of a file that somebody has chosen; undefined where none was. */
export async function textOfFile(files: FileList | null): Promise<string | undefined> {
  const file = files?.[0];
  return file && decodeText(new Uint8Array(await file.arrayBuffer()));
}

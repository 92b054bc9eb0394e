import { ChangeDetectionStrategy, Component, computed } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type ScanFault, type ScanResult, checkKits, checkScans, sectionCode } from '@druckerei/core';
import { count, readNumber } from '../../../ui/format';
import { WordPipe } from '../../../ui/word';
import { BenchForm } from '../state/bench-form';
import { Bench } from '../parts/bench';
import { SCAN_WORDS, readScan } from '../../../ui/scan-words';

const KITS = {
  'no cover': $localize`There is a block, but no cover for it.`,
  'no block': $localize`There is a cover, but no block for it.`,
  'not the same': $localize`Cover and block are of different orders. Stop, and sort the stack from here on.`,
} as const;

const lines = (text: string): string[] => text.split(/[\s,;]+/).filter((word) => word !== '');

/** Made-up: a book of four sections of the demo works. */
const START = { job: 'HB-26-0440', sections: '4', read: '', blocks: '', covers: '' };

/** A reader without its machine: section codes at the gatherer, and covers against blocks, stopping at the first error. */
@Component({
  selector: 'dk-codes-page',
  imports: [Bench, MatButtonModule, MatFormFieldModule, MatInputModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './codes.page.html',
  styleUrl: './bench-page.scss',
})
export class CodesPage {
  protected readonly bench = new BenchForm('codes', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;
  protected readonly codes = computed(() => {
    const many = readNumber(this.form().sections);
    const sound = many !== undefined && Number.isInteger(many) && many >= 1 && many <= 99;
    return sound ? Array.from({ length: many }, (_, i) => sectionCode(this.form().job, i)) : [];
  });
  /** Codes as they were read; one that is followed by ! came upside down. */
  protected readonly result = computed((): ScanResult | undefined => {
    const scans = lines(this.form().read).map(readScan);
    return scans.length === 0 || this.codes().length === 0 ? undefined : checkScans(this.codes(), scans);
  });
  protected readonly fault = (fault: ScanFault): string => SCAN_WORDS[fault];
  protected readonly kits = computed(() => {
    const [blocks, covers] = [lines(this.form().blocks), lines(this.form().covers)];
    if (blocks.length + covers.length === 0) return undefined;
    const result = checkKits(blocks, covers);
    return result.ok
      ? { ok: true, text: $localize`${count(blocks.length)} kits match.` }
      : { ok: false, text: $localize`At place ${result.at + 1}\: ${KITS[result.fault]}` };
  });

  /** Two sound blocks, to see how it reads. */
  protected fill(): void {
    this.bench.set({ read: [...this.codes(), ...this.codes()].join(' ') });
  }
}

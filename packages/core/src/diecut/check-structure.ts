import { type Issue, error } from '../kernel/index.js';
import { type StructureId, type StructureSize, tuckMm } from './structure.js';

const TUCKED: readonly StructureId[] = ['straight-tuck', 'reverse-tuck', 'self-locking'];

/** Largest measure that any die or case maker takes, millimetres. Source: practice. */
const MOST_MM = 5000;

/**
 * What makes a structure impossible. Issues: `die.measure` (not above 0, or larger than any machine),
 * `die.width-over-length`, `die.flap-too-wide`, `die.tuck-over-depth`.
 */
export function checkStructure(id: StructureId, size: StructureSize, path: string): Issue[] {
  const measures = ['lengthMm', 'widthMm', 'depthMm', 'caliperMm'] as const;
  const issues = measures.flatMap((field) => {
    const value = size[field];
    return Number.isFinite(value) && value > 0 && value <= MOST_MM
      ? []
      : [error('die.measure', `${path}.${field}`, { field: field.replace('Mm', ''), value, most: MOST_MM })];
  });
  if (issues.length > 0) return issues;
  const flat = id === 'wallet' || id === 'packet';
  if (!flat && size.widthMm > size.lengthMm)
    issues.push(error('die.width-over-length', `${path}.widthMm`, { length: size.lengthMm, width: size.widthMm }));
  const flap = size.flapMm;
  if (flap !== undefined && (flap < 0 || flap > size.lengthMm))
    issues.push(error('die.flap-too-wide', `${path}.flapMm`, { flap, most: size.lengthMm }));
  const tuck = tuckMm(size.widthMm);
  if (TUCKED.includes(id) && tuck > size.depthMm)
    issues.push(error('die.tuck-over-depth', `${path}.depthMm`, { tuck, depth: size.depthMm, least: tuck }));
  return issues;
}

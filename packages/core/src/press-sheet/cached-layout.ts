import type { Works } from '../works/index.js';
import type { Component } from '../job/index.js';
import { layComponent } from './component-layout.js';
import type { LayContext } from './lay-kinds.js';
import { isLeaf } from './leaf.js';

type Laid = ReturnType<typeof layComponent>;

const known = new WeakMap<Component, { readonly asked: string; readonly works: Works; readonly laid: Laid }>();

/** Norms that a layout reads. */
const NORMS = [
  'layout.bleed',
  'layout.strippingGap',
  'sheeter.edgeTrim',
  'corrugate.edgeTrim',
  'bind.trim',
  'bind.mill',
] as const;

/**
 * {@link layComponent}, remembered as long as the component and all that its layout reads stay the same: a plan is made at
 * every keystroke, and most of them touch no layout. The forms of a gang read other parts of the job, so they are laid anew.
 */
export function cachedLayout(component: Component, path: string, context: LayContext): Laid {
  if (component.kind === 'gang') return layComponent(component, path, context);
  const { job, works, norms, positions } = context;
  const read = NORMS.map((id) => norms(id).value);
  const asked = JSON.stringify([
    path,
    job.number,
    job.binding,
    isLeaf(job, component),
    positions.get(component.id),
    read,
  ]);
  const before = known.get(component);
  if (before?.asked === asked && before.works === works) return before.laid;
  const laid = layComponent(component, path, context);
  known.set(component, { asked, works, laid });
  return laid;
}

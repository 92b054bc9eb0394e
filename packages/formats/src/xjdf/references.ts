import type { FileFault } from './read-xml.js';
import { type Tree, named } from './tree.js';

const words = (text: string | undefined): string[] => text?.split(/\s+/).filter((word) => word !== '') ?? [];

/** Every element of a name, wherever it stands. */
export function everywhere(tree: Tree, name: string, found: Tree[] = []): Tree[] {
  for (const child of tree.children) {
    if (child.name === name) found.push(child);
    everywhere(child, name, found);
  }
  return found;
}

function twice(elements: readonly Tree[]): FileFault[] {
  const seen = new Map<string, number>();
  return elements.flatMap(({ name, attributes, line }) => {
    const id = attributes['ID'];
    if (id === undefined) return [];
    const before = seen.get(id);
    if (before === undefined) seen.set(id, line);
    return before === undefined
      ? []
      : [{ line, message: $localize`${name} has the ID ${id}, which one on line ${before} has.` }];
  });
}

const noProduct = (of: Tree, id: string): FileFault => ({
  line: of.line,
  message: $localize`${of.name} refers to the product ${id}, which is not in the list of products.`,
});

/** What names something that there is not, or has a name that another has. */
export function referenceFaults(root: Tree): FileFault[] {
  const products = everywhere(root, 'Product');
  const ids = new Set(products.map(({ attributes }) => attributes['ID']));
  const processes = words(root.attributes['Types']).length;
  return [
    ...twice(products),
    ...twice(everywhere(root, 'Resource')),
    ...everywhere(root, 'BindingIntent').flatMap((intent) =>
      words(intent.attributes['ChildRefs']).flatMap((id) => (ids.has(id) ? [] : [noProduct(intent, id)])),
    ),
    ...everywhere(root, 'DropItem').flatMap((item) => {
      const id = item.attributes['ItemRef'];
      return id === undefined || ids.has(id) ? [] : [noProduct(item, id)];
    }),
    ...everywhere(root, 'ResourceSet').flatMap(({ attributes, line }) =>
      words(attributes['CombinedProcessIndex']).flatMap((index) =>
        Number(index) < processes
          ? []
          : [
              {
                line,
                message: $localize`CombinedProcessIndex ${index} is of no process: Types has ${processes}, counted from 0.`,
              },
            ],
      ),
    ),
    ...everywhere(root, 'Intent').flatMap((intent) => {
      const name = intent.attributes['Name'] ?? '';
      const known = intent.children.length === 0 || named(intent, name).length > 0;
      return known ? [] : [{ line: intent.line, message: $localize`The intent ${name} has no element ${name} in it.` }];
    }),
  ];
}

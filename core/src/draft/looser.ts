import * as v from 'valibot';
import { CLEAN } from '../schema/text';

/** What a schema is made of, as far as it is walked here. */
interface Node {
  type: string;
  pipe?: readonly { kind: string; type: string; requirement?: unknown }[];
  entries?: Record<string, Node>;
  item?: Node;
  items?: Node[];
  options?: Node[];
  key?: unknown;
  value?: Node;
  wrapped?: Node;
}

const LONGEST_NAME = 60;

/**
 * The same shape with looser bounds: texts and lists may still be empty, numbers may be any.
 * Nothing unknown is let in, and nothing gets longer than the strict one allows. For what someone
 * is still writing.
 */
export function looser(schema: v.GenericSchema): v.GenericSchema {
  return walk(schema as unknown as Node) as unknown as v.GenericSchema;
}

function walk(node: Node): v.GenericSchema {
  const each = (nodes: Node[] | undefined): v.GenericSchema[] => (nodes ?? []).map(walk);
  switch (node.type) {
    case 'string':
      return v.pipe(
        v.string(),
        v.maxLength(bound(node, 'max_length') ?? LONGEST_NAME),
        v.regex(CLEAN, 'contains characters that can’t be stored'),
      );
    case 'number':
      return v.pipe(v.number(), v.finite());
    case 'array':
      return v.pipe(
        v.array(walk(node.item as Node)),
        v.maxLength(bound(node, 'max_length') ?? 240),
      );
    case 'tuple':
      return v.tuple(each(node.items) as [v.GenericSchema]);
    case 'strict_object':
      return v.strictObject(
        Object.fromEntries(
          Object.entries(node.entries ?? {}).map(([name, entry]) => [name, walk(entry)]),
        ),
      );
    case 'record':
      return v.record(v.pipe(v.string(), v.maxLength(LONGEST_NAME)), walk(node.value as Node));
    case 'optional':
      return v.optional(walk(node.wrapped as Node));
    case 'union':
    case 'variant':
      return v.union(each(node.options));
    case 'picklist':
    case 'literal':
    case 'boolean':
      return node as unknown as v.GenericSchema;
    default:
      throw new Error(`a schema of type ${node.type} is not known here`);
  }
}

function bound(node: Node, action: string): number | undefined {
  const found = node.pipe?.find((a) => a.kind === 'validation' && a.type === action)?.requirement;
  return typeof found === 'number' ? found : undefined;
}

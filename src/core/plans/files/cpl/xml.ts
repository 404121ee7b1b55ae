import { XMLParser, XMLValidator } from 'fast-xml-parser';

/** One element with its place in the text. Text between elements has no meaning in CPL. */
export interface XmlElement {
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: readonly XmlElement[];
  /** 1-based. */
  line: number;
}

export type ReadXml = { ok: true; root: XmlElement } | { ok: false; line: number; reason: string };

/** Larger or deeper than any plan a person writes: what is so is refused before it is read. */
export const xmlLimits = { characters: 1_000_000, depth: 120, elements: 20_000 } as const;

/**
 * Reads XML without entities, document types or anything else that can grow; what is malformed is refused with its
 * line. Prefixes of names are dropped, since CPL knows one namespace (RFC 3880 §2).
 */
export function readXml(text: string): ReadXml {
  if (text.length > xmlLimits.characters)
    return { ok: false, line: 1, reason: `The file is larger than ${xmlLimits.characters} characters.` };
  const doctype = /<!DOCTYPE|<!ENTITY/i.exec(text);
  if (doctype)
    return {
      ok: false,
      line: lineAt(linesOf(text), doctype.index),
      reason: 'Document types and entities are not read.',
    };
  const tooDeep = depthProblem(text);
  if (tooDeep) return tooDeep;
  const nodes = parsed(text);
  if (!Array.isArray(nodes)) return { ok: false, ...nodes };
  const root = elementsOf(nodes, linesOf(text))[0];
  return root ? { ok: true, root } : { ok: false, line: 1, reason: 'There is no element in the file.' };
}

/** The parser throws on some of what is malformed, such as a declaration that never ends. */
function parsed(text: string): ParsedNode[] | { line: number; reason: string } {
  try {
    const valid = XMLValidator.validate(text);
    if (valid !== true) return { line: valid.err.line, reason: valid.err.msg };
    return newParser().parse(text) as ParsedNode[];
  } catch {
    return { line: 1, reason: 'It is not well-formed XML.' };
  }
}

function newParser(): XMLParser {
  return new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseAttributeValue: false,
    removeNSPrefix: true,
    processEntities: false,
    ignoreDeclaration: true,
    ignorePiTags: true,
    captureMetaData: true,
  });
}

type ParsedNode = Record<string | symbol, unknown>;

const metaData = XMLParser.getMetaDataSymbol() as unknown as symbol;

function elementsOf(nodes: readonly ParsedNode[], lines: readonly number[]): XmlElement[] {
  return nodes.flatMap((node): XmlElement[] => {
    const name = Object.keys(node).find((key) => key !== ':@' && key !== '#text' && key !== '#comment');
    if (name === undefined) return [];
    const meta = node[metaData] as { startIndex?: number } | undefined;
    return [
      {
        name,
        attributes: plainAttributes((node[':@'] ?? {}) as Record<string, string>),
        children: elementsOf(node[name] as ParsedNode[], lines),
        line: lineAt(lines, meta?.startIndex ?? 0),
      },
    ];
  });
}

/** The five entities every XML has are the only ones that are read (XML 1.0 §4.6). */
const entities: Readonly<Record<string, string>> = {
  '&lt;': '<',
  '&gt;': '>',
  '&quot;': '"',
  '&apos;': "'",
  '&amp;': '&',
};

function plainAttributes(raw: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(raw).map(([name, value]) => [
      name,
      String(value).replace(/&(?:lt|gt|quot|apos|amp);/g, (entity) => entities[entity] ?? entity),
    ]),
  );
}

export function escapeXml(text: string): string {
  const named = Object.entries(entities);
  return text.replace(
    /[<>"'&]/g,
    (character) => named.find(([, plain]) => plain === character)?.[0] ?? character,
  );
}

function depthProblem(text: string): { ok: false; line: number; reason: string } | null {
  let depth = 0;
  let count = 0;
  for (const match of text.matchAll(/<(\/?)[A-Za-z][^<>]*?(\/?)>/g)) {
    if (match[1] === '/') depth--;
    else {
      count++;
      if (match[2] !== '/') depth++;
    }
    const line = () => lineAt(linesOf(text), match.index);
    if (depth > xmlLimits.depth)
      return { ok: false, line: line(), reason: `It is nested more than ${xmlLimits.depth} deep.` };
    if (count > xmlLimits.elements)
      return { ok: false, line: line(), reason: `It has more than ${xmlLimits.elements} elements.` };
  }
  return null;
}

/** Where each line begins. */
function linesOf(text: string): number[] {
  const starts = [0];
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
  return starts;
}

/** The line (1-based) of a place in the text. */
function lineAt(starts: readonly number[], index: number): number {
  let [low, high] = [0, starts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((starts[middle] ?? 0) <= index) low = middle + 1;
    else high = middle;
  }
  return low;
}

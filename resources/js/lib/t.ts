import strings from '../../../lang/en.json';

const known: Record<string, string> = strings;

/**
 * A sentence in the language in use. Names in braces are filled in: t('{n} items', { n: 3 }).
 * The English sentence is the key, so that code reads as the screen does.
 */
export function t(sentence: string, values: Record<string, string | number> = {}): string {
    return (known[sentence] ?? sentence).replace(/\{(\w+)\}/g, (whole, name: string) => String(values[name] ?? whole));
}

/** One of two sentences by a count, which is filled in as {n}. */
export function tn(one: string, many: string, n: number, values: Record<string, string | number> = {}): string {
    return t(n === 1 ? one : many, { n, ...values });
}

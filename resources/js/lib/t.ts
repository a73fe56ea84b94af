import { grouped } from '@/lib/digits';
import strings from '../../../lang/en.json';

/** What the interface says, as it stands in the file of the language: a sentence that is not there does not compile. */
export type Sentence = keyof typeof strings;

const known: Record<string, string> = strings;

/**
 * A sentence in the language in use. Names after a colon are filled in: t(':n items', { n: 3 }).
 * A count, which is called n, has its thousands grouped. The English sentence is the key, so that code reads as the screen does.
 */
export function t(sentence: Sentence, values: Record<string, string | number> = {}): string {
    return (known[sentence] ?? sentence).replace(/:([a-z]\w*)/gi, (whole, name: string) => {
        const value = values[name] ?? whole;
        return name === 'n' && typeof value === 'number' ? grouped(value) : String(value);
    });
}

/** One of two sentences by a count, which is filled in as :n. */
export function tn(one: Sentence, many: Sentence, n: number, values: Record<string, string | number> = {}): string {
    return t(n === 1 ? one : many, { n, ...values });
}

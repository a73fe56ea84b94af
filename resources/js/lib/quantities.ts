import { t } from '@/lib/t';

export interface ReadQuantity {
    /** The decimal as the server takes it; null where there is none. */
    value: string | null;
    /** What is wrong with what was typed; null where nothing is. */
    wrong: string | null;
}

const MOST_DIGITS = 12;

/**
 * A quantity as someone types it: a decimal point or comma, groups of three with a space or an apostrophe. Never turned into a float.
 *
 * @param decimals how many the item may have
 */
export function readQuantity(text: string, decimals: number): ReadQuantity {
    const said = text.trim().replace(/[\s'\u2009\u00a0]/g, '');
    if (said === '') {
        return { value: null, wrong: null };
    }
    const grouped = /^\d{1,3}(,\d{3})+(\.\d*)?$/.test(said) ? said.replace(/,/g, '') : said.replace(',', '.');
    const parts = /^(\d*)(?:\.(\d*))?$/.exec(grouped);
    if (!parts || grouped === '.' || said.startsWith('-')) {
        return { value: null, wrong: t('This is no quantity.') };
    }
    const whole = (parts[1] ?? '').replace(/^0+(?=\d)/, '') || '0';
    const fraction = (parts[2] ?? '').replace(/0+$/, '');
    if (whole.length > MOST_DIGITS) {
        return { value: null, wrong: t('This is too much.') };
    }
    if (fraction.length > decimals) {
        return {
            value: null,
            wrong: decimals === 0 ? t('Whole ones only.') : t('At most :n decimals.', { n: decimals }),
        };
    }
    return { value: fraction === '' ? whole : `${whole}.${fraction}`, wrong: null };
}

const MILLION = 1_000_000n;

/** A quantity in millionths. */
function millionths(text: string): bigint {
    const [whole = '0', fraction = ''] = text.split('.');
    return BigInt(whole) * MILLION + BigInt(fraction.padEnd(6, '0'));
}

function written(amount: bigint): string {
    const fraction = (amount % MILLION).toString().padStart(6, '0').replace(/0+$/, '');
    return fraction === '' ? (amount / MILLION).toString() : `${amount / MILLION}.${fraction}`;
}

/** The sum of quantities as decimal texts, exactly. */
export function sumOf(quantities: string[]): string {
    return written(quantities.reduce((all, text) => all + millionths(text), 0n));
}

/** What is left of a quantity, exactly; null where nothing is. */
export function restOf(all: string, part: string): string | null {
    const left = millionths(all) - millionths(part);
    return left > 0n ? written(left) : null;
}

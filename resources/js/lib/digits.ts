/** Whether the company parts decimals with a comma: 1.234,5. */
const isComma = () => typeof document !== 'undefined' && document.documentElement.dataset.numbers === 'comma';

/** What stands before the decimals. */
export function decimalMark(): '.' | ',' {
    return isComma() ? ',' : '.';
}

/** Digits before the decimals in groups of three: the one place where thousands are grouped. */
export function grouped(whole: string | number): string {
    return String(whole).replace(/\B(?=(\d{3})+(?!\d))/g, isComma() ? '.' : ',');
}

/**
 * Text with numbers from how the company writes them to how they are kept and sent, or back: where decimals are parted with a comma, points
 * and commas change their places. What is typed and pasted goes through it on its way in, what stands in a field on its way out.
 */
export function swapped(text: string): string {
    return isComma() ? text.replace(/[.,]/g, (sign) => (sign === '.' ? ',' : '.')) : text;
}

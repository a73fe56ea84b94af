/** Digits before the point in groups of three: the one place where thousands are grouped. */
export function grouped(whole: string | number): string {
    return String(whole).replace(/\B(?=(\d{3})+(?!\d))/g, ',');
}

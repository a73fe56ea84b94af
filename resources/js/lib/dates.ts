import { addDays } from '@/lib/format';
import { type Sentence, t } from '@/lib/t';

const WEEKDAYS: Sentence[] = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS: Sentence[] = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

const two = (number: number) => String(number).padStart(2, '0');

/** The ISO date of a year, month and day; null where the calendar has no such day. */
export function isoOf(year: number, month: number, date: number): string | null {
    const iso = `${String(year).padStart(4, '0')}-${two(month)}-${two(date)}`;
    const time = Date.parse(`${iso}T00:00:00Z`);
    return Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== iso ? null : iso;
}

function placeOf(names: Sentence[], text: string): number {
    return text.length < 2
        ? -1
        : names.findIndex((name) =>
              t(name)
                  .toLowerCase()
                  .startsWith(text.slice(0, t(name).length)),
          );
}

/** A day and month without a year: the next such day, today included. */
function next(today: string, month: number, date: number): string | null {
    const year = Number(today.slice(0, 4));
    const first = isoOf(year, month, date);
    return first !== null && first >= today ? first : isoOf(year + 1, month, date);
}

/**
 * The day that someone means: `13.3`, `13.3.26`, `13 mar`, `2026-03-13`, `13` for the next 13th, `+5` and `-2` days or `+2w` weeks from today,
 * `fri` for the next Friday, `today`, `tomorrow`. Null where it is none of these or there is no such day.
 */
export function readDay(text: string, today: string): string | null {
    const said = text.trim().toLowerCase().replace(/[,]/g, ' ').replace(/\s+/g, ' ');
    const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(said);
    if (iso) {
        return isoOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
    }
    const shift = /^([+-])\s?(\d{1,4})\s?([dw]?)$/.exec(said);
    if (shift) {
        return addDays(today, (shift[1] === '-' ? -1 : 1) * Number(shift[2]) * (shift[3] === 'w' ? 7 : 1));
    }
    if (said === t('today').toLowerCase()) {
        return today;
    }
    if (said === t('tomorrow').toLowerCase()) {
        return addDays(today, 1);
    }
    const weekday = placeOf(WEEKDAYS, said);
    if (weekday >= 0 && /^\D+$/.test(said)) {
        const now = new Date(`${today}T00:00:00Z`).getUTCDay();
        return addDays(today, (weekday - now + 7) % 7);
    }
    const first = /^([^\d\s]+) (?=\d)/.exec(said)?.[1] ?? ''; // a weekday before the day says nothing new
    const bare = placeOf(WEEKDAYS, first) >= 0 ? said.slice(first.length + 1) : said;
    const dotted = /^(\d{1,2})(?:[./-](\d{1,2}))?(?:[./-](\d{2}|\d{4})?)?$/.exec(bare);
    const named = /^(\d{1,2})\.? ([^\d\s.]+)\.?(?: (\d{2}|\d{4}))?$/.exec(bare);
    const date = Number((dotted ?? named)?.[1] ?? NaN);
    const month = named ? placeOf(MONTHS, named[2] ?? '') + 1 : dotted?.[2] === undefined ? null : Number(dotted[2]);
    const year = (dotted ?? named)?.[3];
    if (Number.isNaN(date) || month === 0) {
        return null;
    }
    if (month === null) {
        const [thisYear, thisMonth] = [Number(today.slice(0, 4)), Number(today.slice(5, 7))];
        const first = isoOf(thisYear, thisMonth, date);
        return first !== null && first >= today ? first : isoOf(thisMonth === 12 ? thisYear + 1 : thisYear, (thisMonth % 12) + 1, date);
    }
    return year === undefined ? next(today, month, date) : isoOf(Number(year) + (year.length === 2 ? 2000 : 0), month, date);
}

/** The weeks that a month touches, each from Monday: seven ISO dates. */
export function weeksOf(month: string): string[][] {
    const first = `${month.slice(0, 7)}-01`;
    const back = (new Date(`${first}T00:00:00Z`).getUTCDay() + 6) % 7;
    const weeks: string[][] = [];
    for (let start = addDays(first, -back); start.slice(0, 7) <= month.slice(0, 7); start = addDays(start, 7)) {
        weeks.push([0, 1, 2, 3, 4, 5, 6].map((days) => addDays(start, days)));
    }
    return weeks;
}

/** The same day so many months later, or the last of that month. */
export function addMonths(iso: string, months: number): string {
    const count = Number(iso.slice(0, 4)) * 12 + Number(iso.slice(5, 7)) - 1 + months;
    const [year, month] = [Math.floor(count / 12), (count % 12) + 1];
    for (let date = Number(iso.slice(8, 10)); date > 27; date--) {
        const found = isoOf(year, month, date);
        if (found !== null) {
            return found;
        }
    }
    return `${String(year).padStart(4, '0')}-${two(month)}-${iso.slice(8, 10) > '27' ? '27' : iso.slice(8, 10)}`;
}

import { Link, router } from '@inertiajs/react';
import { ChevronLeft, ChevronRight, Download } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { FIELD } from '@/components/Labelled';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect } from '@/components/Pill';
import { WeekdayTicks } from '@/components/WeekdayTicks';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { day, longDay, weekday } from '@/lib/format';
import type { CalendarDate, CalendarPage, CalendarYear } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { CalendarMonths } from '@/pages/parts/CalendarMonths';
import { DaysOff } from '@/pages/parts/DaysOff';

/** When is worked, a year at a glance: a click makes a day another than its weekday, or that again; all of it as lines of the draft. */
export default function Calendar({ calendar }: CalendarPage) {
    return <Year key={`${calendar.code} ${calendar.year}`} first={calendar} />;
}

function Year({ first }: { first: CalendarYear }) {
    const draft = useDraft();
    const { data } = useLoaded<CalendarYear>(
        draft.stamp === 0 ? null : `/calendar/year?${new URLSearchParams({ code: first.code, year: String(first.year) }).toString()}`,
        draft.stamp,
    );
    const calendar = data ?? first;
    const { code, year } = calendar;
    const go = (to: { code?: string; year?: number }) => router.get('/calendar', { code, year, ...to }, { preserveState: true });
    const special = calendar.months.flat().filter((one) => one.isSpecial);
    const put = (one: CalendarDate, changes: Partial<CalendarDate>) => {
        const next = { ...one, ...changes };
        const words = { calendar: code, day: longDay(one.day) };
        const title = next.works ? t(':calendar works on :day', words) : t(':calendar closed on :day', words);
        void draft.add(
            [
                {
                    change: 'put_rows',
                    kind: 'calendar_days',
                    rows: [{ calendar: code, date: one.day, works: next.works, note: next.note }],
                    removed: [],
                },
            ],
            title,
        );
    };
    const back = (one: CalendarDate) =>
        void draft.add(
            [{ change: 'put_rows', kind: 'calendar_days', rows: [], removed: [[code, one.day]] }],
            t(':calendar as on every :weekday: :day', { calendar: code, weekday: weekday(one.day), day: day(one.day) }),
        );
    const toggle = (one: CalendarDate) => (one.isSpecial ? back(one) : put(one, { works: !one.works }));
    return (
        <>
            <PageHead title={code} tab={code}>
                {tn('1 working day in :year', ':n working days in :year', calendar.workingDays).replace(':year', String(year))}
            </PageHead>
            <div className="mb-3 flex flex-wrap items-center gap-3">
                <PillSelect
                    label={t('Calendar')}
                    value={code}
                    choices={calendar.others.map((one) => ({ value: one, label: one }))}
                    onChange={(other) => go({ code: other })}
                />
                <span className="inline-flex items-center gap-1">
                    <Button look="quiet" aria-label={t('The year before')} onClick={() => go({ year: year - 1 })}>
                        <ChevronLeft size={16} aria-hidden />
                    </Button>
                    <strong>{year}</strong>
                    <Button look="quiet" aria-label={t('The year after')} onClick={() => go({ year: year + 1 })}>
                        <ChevronRight size={16} aria-hidden />
                    </Button>
                </span>
                {draft.may ? (
                    <WeekdayTicks
                        holds
                        value={calendar.weekdays}
                        onChange={(weekdays) =>
                            void draft.add([{ change: 'put_rows', kind: 'calendars', rows: [{ code, weekdays }], removed: [] }])
                        }
                    />
                ) : null}
                <a
                    href={`/calendar/${encodeURIComponent(code)}.ics`}
                    className="ml-auto flex items-center gap-1.5 text-sm text-mute hover:text-ink"
                >
                    <Download size={14} aria-hidden />
                    {t('As iCalendar')}
                </a>
            </div>
            {draft.trouble && <Notice tone="broken">{draft.trouble}</Notice>}
            <CalendarMonths calendar={calendar} may={draft.may} onToggle={toggle} />
            <Inspector label={t('Special days')}>
                {draft.may && <DaysOff code={code} year={year} />}
                <h2 className="mb-1 text-lg font-bold">{t('Special days of :year', { year })}</h2>
                {special.length === 0 && <p className="text-mute">{t('None: every week is like the others.')}</p>}
                <ul className="text-sm">
                    {special.map((one) => (
                        <li key={one.day} className="flex items-center gap-2 border-b border-soft py-1">
                            <span className="w-[86px] shrink-0">{day(one.day)}</span>
                            <span className={`w-14 shrink-0 ${one.isDrafted ? 'font-semibold text-draft' : 'text-mute'}`}>
                                {one.works ? t('worked') : t('closed')}
                            </span>
                            {draft.may ? (
                                <>
                                    <Name
                                        key={one.note}
                                        value={one.note}
                                        label={t('Name of :day', { day: day(one.day) })}
                                        onSet={(note) => put(one, { note })}
                                    />
                                    <Button
                                        look="quiet"
                                        className="!h-6 !px-1 text-sm"
                                        aria-label={t('As every week: :day', { day: day(one.day) })}
                                        onClick={() => back(one)}
                                    >
                                        ✕
                                    </Button>
                                </>
                            ) : (
                                <span className="truncate">{one.note}</span>
                            )}
                        </li>
                    ))}
                </ul>
                {calendar.usedBy.length > 0 && (
                    <>
                        <h3 className="mt-4 mb-1 text-xs font-bold text-mute">{t('Works by it')}</h3>
                        <p className="text-sm">{calendar.usedBy.join(', ')}</p>
                    </>
                )}
                <p className="mt-4 text-sm">
                    <Link href="/data?kind=calendars" className="font-semibold text-act hover:underline">
                        {t('All calendars')}
                    </Link>
                </p>
            </Inspector>
        </>
    );
}

/** What a day is called; kept when the field is left or Enter is pressed. */
function Name({ value, label, onSet }: { value: string; label: string; onSet: (note: string) => void }) {
    const [note, setNote] = useState(value);
    const keep = () => {
        if (note.trim() !== value) {
            onSet(note.trim());
        }
    };
    return (
        <input
            aria-label={label}
            value={note}
            maxLength={190}
            onChange={(event) => setNote(event.target.value)}
            onBlur={keep}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            className={`${FIELD} !h-6 min-w-0 flex-1`}
        />
    );
}

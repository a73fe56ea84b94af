import { Button } from '@/components/Button';
import { Labelled } from '@/components/Labelled';
import { useDraft } from '@/lib/draft';
import { day } from '@/lib/format';
import { postForm } from '@/lib/http';
import type { BroughtDays } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** Days off from a file: said first, then one line of the draft. */
export function DaysOff({ code, year }: { code: string; year: number }) {
    const draft = useDraft();
    const look = useCommand((file: File) => {
        const form = new FormData();
        form.set('code', code);
        form.set('year', String(year));
        form.set('file', file);
        return postForm<BroughtDays>('/calendar/look', form);
    });
    const seen = look.answer;
    const take = async () => {
        if (
            seen?.change &&
            (await draft.add(
                [JSON.parse(seen.change) as { change: string }],
                tn('1 day off brought in to :calendar', ':n days off brought in to :calendar', seen.new).replace(':calendar', code),
            ))
        ) {
            look.clear();
        }
    };
    return (
        <section aria-label={t('Days off from a file')} className="mb-4 rounded border border-line bg-paper px-2.5 py-2 text-sm">
            <Labelled label={t('Days off from an iCalendar file (.ics)')}>
                <input
                    type="file"
                    accept=".ics,text/calendar"
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        if (file) {
                            look.send(file);
                        }
                    }}
                />
            </Labelled>
            {look.trouble && (
                <p role="alert" className="mt-1 font-semibold text-broken">
                    {look.trouble}
                </p>
            )}
            {seen !== null && (
                <>
                    <p className="mt-1.5">
                        <strong>{tn('1 new day', ':n new days', seen.new)}</strong>, {tn('1 off already', ':n off already', seen.same)}
                        {seen.partial > 0 && `, ${tn('1 of some hours left out', ':n of some hours left out', seen.partial)}`}
                    </p>
                    <ul className="my-1 max-h-40 overflow-y-auto">
                        {seen.some.map((one) => (
                            <li key={one.row}>
                                {day(one.row)} {one.what}
                            </li>
                        ))}
                    </ul>
                    <Button look="draft" disabled={seen.change === null || draft.busy} onClick={() => void take()}>
                        {tn('Draft it for 1 day', 'Draft it for :n days', seen.new)}
                    </Button>
                </>
            )}
        </section>
    );
}

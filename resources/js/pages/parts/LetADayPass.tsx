import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { day } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { DayPassed } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** In the demo the world outside goes on when its administrator says so. */
export function LetADayPass() {
    const { plan } = useShared();
    const [key, setKey] = useState(freshKey);
    const passing = useCommand(
        () => postJson<DayPassed>('/demo/day', { key }),
        () => {
            setKey(freshKey());
            router.reload();
        },
    );
    return (
        <section aria-label={t('The world outside')} className="mb-3 rounded border border-line bg-surface px-3 py-2 text-sm">
            <div className="flex items-center gap-3">
                <Button disabled={passing.busy} onClick={() => passing.send(undefined)}>
                    {passing.busy ? t('A day passes ...') : t('Let a day pass')}
                </Button>
                <span className="text-mute">{t('Suppliers, the floor and customers of the demo do what they do; then run the plan.')}</span>
            </div>
            {passing.trouble && <p className="mt-1 font-semibold text-broken">{passing.trouble}</p>}
            {passing.answer && (
                <>
                    <p className="mt-2 font-semibold">{t('It is :day now.', { day: day(passing.answer.day, plan.planDate) })}</p>
                    <ul className="mt-1 max-h-40 list-disc overflow-auto pl-5">
                        {passing.answer.said.map((one) => (
                            <li key={one}>{one}</li>
                        ))}
                    </ul>
                </>
            )}
        </section>
    );
}

import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Notice } from '@/components/Notice';
import { day } from '@/lib/format';
import { deleteJson, postJson } from '@/lib/http';
import type { SecretAddress, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

/** The secret address under which one's calendar reads what is due: made, made anew, withdrawn. */
export function CalendarFeed({ since }: { since: string | null }) {
    const { plan } = useShared();
    const [told, setTold] = useState<{ message: string; address?: string } | null>(null);
    const tell = (answer: { message: string; address?: string }) => {
        setTold(answer);
        router.reload();
    };
    const give = useCommand(() => postJson<SecretAddress>('/account/calendar', {}), tell);
    const withdraw = useCommand(() => deleteJson<Told>('/account/calendar'), tell);
    const trouble = give.trouble ?? withdraw.trouble;
    return (
        <section className="mt-7">
            <h2 className="mb-1 text-lg font-bold">{t('Due dates in your calendar')}</h2>
            <p className="mb-3 text-mute">
                {t('A secret address from which a calendar program reads when orders and customer lines are due.')}{' '}
                {since !== null && t('You have one since :day.', { day: day(since, plan.planDate) })}
            </p>
            <div className="flex gap-2">
                <Button disabled={give.busy} onClick={() => give.send(undefined)}>
                    {since === null ? t('Make an address') : t('Make another; the old one holds no longer')}
                </Button>
                {since !== null && (
                    <Button disabled={withdraw.busy} onClick={() => withdraw.send(undefined)}>
                        {t('Withdraw it')}
                    </Button>
                )}
            </div>
            <div className="mt-3">
                {told && (
                    <Notice tone="done">
                        <p>{told.message}</p>
                        {told.address && (
                            <input
                                readOnly
                                aria-label={t('Address for your calendar')}
                                value={told.address}
                                onFocus={(event) => event.target.select()}
                                className="mt-1 h-8 w-full rounded border border-line bg-surface px-2 font-mono text-sm"
                            />
                        )}
                    </Notice>
                )}
                {trouble && <Notice tone="broken">{trouble}</Notice>}
            </div>
        </section>
    );
}

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Button } from '@/components/Button';
import { day, qty } from '@/lib/format';
import type { ConversionDelays } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';

const SHOWN = 8;

/** Says whom a conversion would make wait before anything is ordered, and offers the way out. */
export function DelayDialog({
    delays,
    onAlong,
    onSure,
    onBack,
}: {
    delays: ConversionDelays;
    onAlong: () => void;
    onSure: () => void;
    onBack: () => void;
}) {
    const { plan } = useShared();
    const { lines, along, left } = delays;
    const date = (iso: string | null) => (iso ? day(iso, plan.planDate) : t('not covered'));
    return (
        <Dialog open onClose={onBack} className="relative z-50">
            <div className="fixed inset-0 bg-ink/30" aria-hidden />
            <div className="fixed inset-0 flex items-center justify-center p-6">
                <DialogPanel className="max-h-full w-[620px] overflow-auto rounded border border-broken bg-surface p-5">
                    <DialogTitle className="text-lg font-bold">
                        {tn('1 customer line would come later', ':n customer lines would come later', lines.length)}
                    </DialogTitle>
                    <p className="mb-3 text-mute">
                        {t('What you picked takes material that an earlier need is planned with. Nothing has been ordered yet.')}
                    </p>
                    <table className="w-full text-sm">
                        <thead>
                            <tr className="border-b border-line text-left text-xs text-mute">
                                <th scope="col" className="py-1">
                                    {t('Sales line')}
                                </th>
                                <th scope="col">{t('Item')}</th>
                                <th scope="col" className="text-right">
                                    {t('Planned now')}
                                </th>
                                <th scope="col" className="text-right">
                                    {t('Then')}
                                </th>
                                <th scope="col" className="text-right">
                                    {t('Later by')}
                                </th>
                            </tr>
                        </thead>
                        <tbody>
                            {lines.slice(0, SHOWN).map((line) => (
                                <tr key={line.reference} className="border-b border-soft">
                                    <td className="py-1 pr-3">
                                        <strong>{line.label}</strong> {line.customer}
                                    </td>
                                    <td className="pr-3">
                                        {qty(line.qty)} {line.unit} {line.item}
                                    </td>
                                    <td className="text-right whitespace-nowrap">{date(line.before)}</td>
                                    <td className="text-right font-semibold whitespace-nowrap text-broken">{date(line.after)}</td>
                                    <td className="text-right font-semibold whitespace-nowrap text-broken">
                                        {line.after && line.before && tn('1 day', ':n days', line.days)}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                    {lines.length > SHOWN && <p className="mt-1 text-sm text-mute">{t('and :n more', { n: lines.length - SHOWN })}</p>}
                    {along.length > 0 && (
                        <section className="mt-3 rounded bg-act-tint px-3 py-2">
                            <h3 className="font-semibold">
                                {left === 0
                                    ? tn('Nobody waits if this goes along', 'Nobody waits if these go along', along.length)
                                    : tn('Only 1 line waits if these go along', 'Only :n lines wait if these go along', left)}
                            </h3>
                            <ul className="text-sm">
                                {along.slice(0, SHOWN).map((row) => (
                                    <li key={row.number}>
                                        {qty(row.qty)} {row.unit} <strong>{row.item}</strong> {row.name},{' '}
                                        {t('for :day', { day: day(row.due, plan.planDate) })}
                                    </li>
                                ))}
                                {along.length > SHOWN && <li className="text-mute">{t('and :n more', { n: along.length - SHOWN })}</li>}
                            </ul>
                        </section>
                    )}
                    <div className="mt-4 flex justify-end gap-2">
                        <Button onClick={onBack} autoFocus={along.length === 0}>
                            {t('Back to the list')}
                        </Button>
                        <Button onClick={onSure}>{t('Convert all the same')}</Button>
                        {along.length > 0 && (
                            <Button look="act" onClick={onAlong} autoFocus>
                                {tn('Take 1 along and convert', 'Take :n along and convert', along.length)}
                            </Button>
                        )}
                    </div>
                </DialogPanel>
            </div>
        </Dialog>
    );
}

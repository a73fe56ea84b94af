import { useState } from 'react';
import { DateField } from '@/components/DateField';
import { ReasonField } from '@/components/ReasonField';
import { addDays, qty } from '@/lib/format';
import type { ConversionPreview } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';

interface Props {
    count: number;
    preview: ConversionPreview | null;
    /** Whether the preview is of what is picked now, and nothing stands in the way. */
    isReady: boolean;
    trouble: string | null;
    /** Whether what would be made is shown, and the next press makes it. */
    asking: boolean;
    /** Whether purchases are handed to purchasing, and what it is told; null where none is picked. */
    handOver: { on: boolean; onChange: (on: boolean) => void; note: string; onNote: (note: string) => void } | null;
    busy: boolean;
    onForward: () => void;
    onBack: () => void;
    onClear: () => void;
    /** Lets the first of each item take the others along; null where none has others. */
    onMerge: (() => void) | null;
    /** Lets what is picked rest until a day, with a reason. */
    onPutOff: (until: string, reason: string) => void;
}

/** What the picked proposals would become: counted, then order by order, then the button that makes it so. */
export function ConvertBar(props: Props) {
    const { count, preview, isReady, trouble, asking, handOver, busy, onForward, onBack, onClear, onMerge, onPutOff } = props;
    const [puttingOff, setPuttingOff] = useState(false);
    const troubles = preview?.lines.flatMap((line) => line.trouble ?? []) ?? [];
    return (
        <div className="sticky -bottom-4 z-20 mt-auto bg-paper pt-3 pb-4">
            <div className="rounded bg-ink text-surface">
                {asking && (
                    <section
                        aria-label={t('What will be ordered')}
                        className="max-h-64 overflow-auto border-b border-mute px-4 py-2 text-sm"
                    >
                        {(trouble ?? (preview === null && t('Looking ...'))) && <p>{trouble ?? t('Looking ...')}</p>}
                        {troubles.map((one) => (
                            <p key={one} className="font-semibold text-look-tint">
                                {one}
                            </p>
                        ))}
                        {handOver && (
                            <p className="mb-1.5 flex flex-wrap items-center gap-x-4 gap-y-1">
                                <label className="flex items-center gap-2 font-semibold">
                                    <input
                                        type="checkbox"
                                        checked={handOver.on}
                                        onChange={(event) => handOver.onChange(event.target.checked)}
                                        className="accent-order"
                                    />
                                    {t('Hand purchases to purchasing as requests')}
                                </label>
                                {handOver.on && (
                                    <input
                                        aria-label={t('What purchasing should know')}
                                        placeholder={t('What purchasing should know')}
                                        value={handOver.note}
                                        maxLength={190}
                                        onChange={(event) => handOver.onNote(event.target.value)}
                                        className="h-[26px] flex-1 rounded border border-mute bg-ink px-2 placeholder:text-order-tint"
                                    />
                                )}
                            </p>
                        )}
                        <ul>
                            {preview?.orders.map((order, place) => (
                                <li key={place} className="flex gap-4 py-0.5">
                                    <span className="w-56 shrink-0 font-semibold">{order.title}</span>
                                    <span className="min-w-0 flex-1">{order.lines.join(', ')}</span>
                                    <span className="text-right whitespace-nowrap">
                                        {order.value !== null && `${qty(order.value)} ${order.currency}`}
                                    </span>
                                </li>
                            ))}
                        </ul>
                    </section>
                )}
                {puttingOff && !asking && (
                    <PutOffForm
                        busy={busy}
                        onBack={() => setPuttingOff(false)}
                        onPutOff={(until, reason) => {
                            setPuttingOff(false);
                            onPutOff(until, reason);
                        }}
                    />
                )}
                <div className="flex items-center gap-4 px-4 py-2">
                    <strong className="whitespace-nowrap">{t(':n picked', { n: count })}</strong>
                    <span className="text-order-tint" aria-live="polite">
                        {preview?.message}
                        {preview?.worth && ` (${preview.worth})`}
                    </span>
                    {onMerge && (
                        <button
                            type="button"
                            title={t('The first of each item is ordered in all that is picked of it; the next run drops the others.')}
                            onClick={onMerge}
                            className="ml-auto rounded border border-mute px-3 py-1 text-sm font-semibold whitespace-nowrap hover:border-surface"
                        >
                            {t('Merge into the first')}
                        </button>
                    )}
                    {!asking && (
                        <button
                            type="button"
                            aria-expanded={puttingOff}
                            onClick={() => setPuttingOff(!puttingOff)}
                            className={`${onMerge ? '' : 'ml-auto'} rounded border border-mute px-3 py-1 text-sm font-semibold whitespace-nowrap hover:border-surface`}
                        >
                            {t('Put off')}
                        </button>
                    )}
                    <button
                        type="button"
                        onClick={asking ? onBack : onClear}
                        className={`${onMerge || !asking ? '' : 'ml-auto'} rounded border border-mute px-3 py-1 text-sm font-semibold whitespace-nowrap hover:border-surface`}
                    >
                        {asking ? t('Go back') : t('Pick none')}
                    </button>
                    <button
                        type="button"
                        onClick={onForward}
                        disabled={busy || (asking && !isReady)}
                        className="flex items-center gap-2 rounded border border-surface bg-surface px-3 py-1 text-sm font-semibold whitespace-nowrap text-ink hover:bg-paper disabled:opacity-60"
                    >
                        {busy
                            ? t('Converting')
                            : asking
                              ? preview
                                  ? handOver?.on
                                      ? tn('Hand over 1', 'Hand over :n', preview.orders.length)
                                      : tn('Make 1 order', 'Make :n orders', preview.orders.length)
                                  : t('Looking ...')
                              : t('Convert')}
                        <kbd className="rounded border border-line bg-paper px-1.5 font-sans text-xs text-mute">C</kbd>
                    </button>
                </div>
            </div>
        </div>
    );
}

/** Until when it can wait, and why. */
function PutOffForm({ busy, onPutOff, onBack }: { busy: boolean; onPutOff: Props['onPutOff']; onBack: () => void }) {
    const { plan } = useShared();
    const [until, setUntil] = useState(addDays(plan.planDate, 7));
    const [reason, setReason] = useState('');
    return (
        <form
            className="flex flex-wrap items-center gap-3 border-b border-mute px-4 py-2 text-sm"
            onSubmit={(event) => {
                event.preventDefault();
                if (reason.trim() !== '') {
                    onPutOff(until, reason);
                }
            }}
        >
            <span>{t('Rests until')}</span>
            <span className="text-ink">
                <DateField label={t('Rests until')} value={until} min={addDays(plan.planDate, 1)} onChange={setUntil} />
            </span>
            <ReasonField
                label={t('Why it can wait')}
                value={reason}
                onChange={setReason}
                onBack={onBack}
                className="h-[26px] flex-1 rounded border border-mute bg-ink px-2 placeholder:text-order-tint"
            />
            <button
                type="submit"
                disabled={busy || reason.trim() === ''}
                className="rounded border border-surface px-3 py-1 font-semibold whitespace-nowrap disabled:opacity-60"
            >
                {t('Let it rest')}
            </button>
        </form>
    );
}

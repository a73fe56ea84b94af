import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { MaybeLink } from '@/components/MaybeLink';
import { Notice } from '@/components/Notice';
import { PanelHead } from '@/components/PanelHead';
import { WaysOut } from '@/components/WaysOut';
import { useDraft } from '@/lib/draft';
import { grouped } from '@/lib/digits';
import { day } from '@/lib/format';
import { fullness, hours, periodName } from '@/lib/load';
import type { LoadAnswer } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { CentreDraft } from '@/pages/parts/CentreDraft';
import type { LoadPlace } from '@/pages/parts/LoadGrid';

/** Why a work centre is as full as it is: the arithmetic, whom it is for, and what to tell sales where it does not fit. */
export function LoadPanel({ place, bucket, onClose }: { place: LoadPlace; bucket: string; onClose: () => void }) {
    const { plan } = useShared();
    const draft = useDraft();
    const { data, trouble } = useLoaded<LoadAnswer>(
        `/capacity/cell?${new URLSearchParams({ centre: place.centre, day: place.day, bucket }).toString()}`,
        `${draft.stamp} ${plan.id} ${plan.changes}`,
    );
    const isAnswered = data !== null && data.centre === place.centre && data.period.from <= place.day && place.day <= data.period.to;
    return (
        <>
            <PanelHead
                title={
                    isAnswered
                        ? t(':centre, :when: :percent', {
                              centre: data.centre,
                              when: periodName(data.period, bucket, plan.planDate),
                              percent: fullness(data.figure, 'percent'),
                          })
                        : place.centre
                }
                onClose={onClose}
            />
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {!isAnswered && !trouble && <p className="text-mute">{t('Working it out…')}</p>}
            {isAnswered && <Answer answer={data} bucket={bucket} today={plan.planDate} />}
        </>
    );
}

function Answer({ answer, bucket, today }: { answer: LoadAnswer; bucket: string; today: string }) {
    const { plan } = useShared();
    const { figure } = answer;
    const closed = answer.open - figure.capacity;
    return (
        <>
            <p className="text-mute">
                {t(':name, :units, :efficiency % efficient', {
                    name: answer.name,
                    units: tn(':n unit', ':n units', answer.units),
                    efficiency: answer.efficiency,
                })}
            </p>
            <h3 className="mt-3 text-xs font-bold text-mute">{t('The arithmetic')}</h3>
            <ul>
                <Line label={t('Open by its shifts')} value={t(':n h', { n: hours(answer.open) })}>
                    {answer.shifts.length === 0 ? t('day and night on working days') : answer.shifts.join('; ')}
                </Line>
                {(closed > 0 || answer.closures.length > 0) && (
                    <Line label={t('Closed')} value={t(':n h', { n: hours(closed) })}>
                        {answer.closures.join('; ')}
                    </Line>
                )}
                <Line
                    label={tn(':n operation needs', ':n operations need', answer.operationCount)}
                    value={t(':n h', { n: hours(figure.load) })}
                    broken={figure.over}
                />
                {figure.over && (
                    <Line label={t('More than it can do')} value={t(':n h', { n: hours(figure.load - figure.capacity) })} broken />
                )}
            </ul>
            <h3 className="mt-4 text-xs font-bold text-mute">{t('For whom')}</h3>
            <ul>
                {answer.demands.slice(0, SHOWN).map((one) => (
                    <Line
                        key={`${one.demand.label} ${one.item} ${one.due ?? ''}`}
                        label={
                            <>
                                <Swatch look={one.isForecast ? 'bg-cause-forecast' : 'bg-cause-sales'} />
                                <MaybeLink to={one.demand} />
                            </>
                        }
                        value={t(':n h', { n: hours(one.minutes) })}
                    >
                        {one.due === null
                            ? t(':qty of :item', { qty: one.qty, item: one.item })
                            : t(':qty of :item, wanted :day', { qty: one.qty, item: one.item, day: day(one.due, today) })}
                    </Line>
                ))}
                <More count={answer.demandCount - Math.min(SHOWN, answer.demands.length)} />
                {answer.forNobody > 0 && (
                    <Line
                        label={
                            <>
                                <Swatch look="bg-cause-rule" />
                                {t('nobody yet: lot size, stock rule')}
                            </>
                        }
                        value={t(':n h', { n: hours(answer.forNobody) })}
                    />
                )}
            </ul>
            {figure.over && plan.study === null && (
                <WaysOut
                    title={t('What could help, worked out')}
                    url={`/capacity/reliefs?${new URLSearchParams({ centre: answer.centre, day: answer.period.from, bucket }).toString()}`}
                    nothing={t('Nothing that could be planned would help; talk to sales.')}
                />
            )}
            {answer.note !== null && <NoteToSales text={answer.note} />}
            <CentreDraft
                key={`${answer.centre} ${answer.period.from}`}
                centre={answer.centre}
                units={answer.units}
                from={answer.period.from}
                to={answer.period.from}
            />
            <h3 className="mt-4 text-xs font-bold text-mute">{t('Each operation')}</h3>
            <ul>
                {answer.operations.map((one) => (
                    <Line
                        key={`${one.order.label} ${one.op} ${one.minutes}`}
                        label={
                            <>
                                <MaybeLink to={one.order} /> <span className="text-mute">{t('op :op', { op: one.op })}</span>
                            </>
                        }
                        value={t(':n min', { n: grouped(String(one.minutes)) })}
                    >
                        {one.arithmetic}
                    </Line>
                ))}
                <More count={answer.operationCount - answer.operations.length} />
            </ul>
        </>
    );
}

/** So many of whom it is for are shown. */
const SHOWN = 5;

function More({ count }: { count: number }) {
    return count > 0 ? <li className="py-1 text-sm text-mute">{tn('and :n more', 'and :n more', count)}</li> : null;
}

function Swatch({ look }: { look: string }) {
    return <span aria-hidden className={`mr-1.5 inline-block size-2.5 ${look}`} />;
}

function Line({
    label,
    value,
    broken = false,
    children,
}: {
    label: React.ReactNode;
    value: string;
    broken?: boolean;
    children?: React.ReactNode;
}) {
    return (
        <li className="border-b border-line py-1.5">
            <div className="flex items-baseline gap-3">
                <span className="min-w-0 flex-1 truncate">{label}</span>
                <strong className={`shrink-0 whitespace-nowrap ${broken ? 'text-broken' : ''}`}>{value}</strong>
            </div>
            {children && <p className="text-sm text-mute">{children}</p>}
        </li>
    );
}

/** What sales should know, ready to be sent. */
function NoteToSales({ text }: { text: string }) {
    const [state, setState] = useState<'copied' | 'refused' | null>(null);
    return (
        <section className="mt-4">
            <h3 className="text-xs font-bold text-mute">{t('A note to sales')}</h3>
            <p className="mt-1 rounded border border-line bg-surface p-2.5 text-sm whitespace-pre-line">{text}</p>
            <div className="mt-2 flex items-center gap-4 text-sm">
                <Button
                    onClick={() =>
                        void navigator.clipboard
                            .writeText(text)
                            .then(() => setState('copied'))
                            .catch(() => setState('refused'))
                    }
                >
                    {state === 'copied' ? <Check size={14} aria-hidden /> : <Copy size={14} aria-hidden />}
                    {state === 'copied' ? t('Copied') : t('Copy the note')}
                </Button>
                <a
                    className="font-semibold text-act hover:underline"
                    href={`mailto:?subject=${encodeURIComponent(text.split('\n')[0] ?? '')}&body=${encodeURIComponent(text)}`}
                >
                    {t('Send it by mail')}
                </a>
                <span role="status" className="text-mute">
                    {state === 'refused' && t('It could not be copied; mark it and copy it by hand.')}
                </span>
            </div>
        </section>
    );
}

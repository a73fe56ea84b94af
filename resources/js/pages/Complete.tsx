import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { MonthButton } from '@/components/DateField';
import { Empty } from '@/components/Empty';
import { FigureChange } from '@/components/FigureChange';
import { Notice } from '@/components/Notice';
import { NumberField } from '@/components/NumberField';
import { PageHead } from '@/components/PageHead';
import { PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { useDraft, type Change } from '@/lib/draft';
import { addDays, day, qty } from '@/lib/format';
import { getJson } from '@/lib/http';
import { readQuantity } from '@/lib/quantities';
import type { AvailabilityAnswer, CompletePage, EarliestDay, GrossRows, PossibleQuantity, ThreadRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useLoaded } from '@/lib/useLoaded';
import { usePageKeys } from '@/lib/usePageKeys';
import { AskedPart, BoughtParts } from '@/pages/parts/AskedParts';
import { SubjectBox } from '@/pages/parts/SubjectBox';
import { ThreadChart } from '@/pages/parts/ThreadChart';

/**
 * The thread, asked: when an order, a sales line or so much of an item is complete, and what decides it. The day is a line through the
 * picture; every answer is planned, with the person's draft.
 */
export default function Complete({ subject, qty: firstQty, due: firstDue }: CompletePage) {
    const { plan } = useShared();
    const draft = useDraft();
    const [wanted, setWanted] = useState(firstDue);
    const [amount, setAmount] = useState(firstQty);
    const [picked, setPicked] = useState<number | null>(null);
    const [parts, setParts] = useState(false);
    const [panel, setPanel] = useState(true);
    const [decimals, setDecimals] = useState(6);
    const { value: asked, wrong } = readQuantity(amount, decimals);
    const query = new URLSearchParams({ of: subject, ...(asked && { qty: asked }), ...(wanted && { due: wanted }) }).toString();
    const stamp = `${draft.stamp} ${plan.id} ${plan.changes}`;
    const { data, trouble: refused } = useLoaded<AvailabilityAnswer>(subject && !wrong ? `/complete/answer?${query}` : null, stamp);
    const gross = useLoaded<GrossRows>(subject && parts && !wrong ? `/complete/parts?${query}` : null, stamp);
    const at = wanted || data?.wanted || plan.planDate;

    if (data && data.decimals !== decimals) {
        setDecimals(data.decimals);
    }

    const goTo = (next: string) => setWanted(next < plan.planDate ? plan.planDate : next);
    const first = useCommand(
        () => getJson<EarliestDay>(`/complete/earliest?${query}`),
        ({ day: found }) => setWanted((old) => found ?? old),
    );
    const most = useCommand(async (due: string) => {
        const found = await getJson<PossibleQuantity>(`/complete/possible?${new URLSearchParams({ of: subject, due }).toString()}`);
        return { ...found, due };
    });
    const none = first.answer?.day === null ? t('No day was found on which all of it could be there.') : null;
    const trouble = first.trouble ?? most.trouble ?? none ?? refused;
    const changes = data ? (JSON.parse(data.changes) as Change[]) : [];
    const canDraft = changes.length > 0 && draft.may && !draft.busy;
    const toDraft = () => void draft.add(changes);
    usePageKeys({ d: () => void (canDraft && toDraft()) });

    const pick = (one: ThreadRow) => {
        setPicked(one.id);
        setPanel(true);
    };
    const rows = data?.rows ?? [];
    const row = rows.find((one) => one.id === picked) ?? rows.findLast((one) => one.holdUp) ?? null;
    const need = row?.need === null || row?.need === undefined ? null : (data?.needs[row.need] ?? null);
    return (
        <>
            <PageHead title={t('When is it complete?')}>{data && `${data.label}, ${data.item} ${data.name}`}</PageHead>
            <div className="mb-2.5 flex flex-wrap items-start gap-2">
                <SubjectBox
                    value={subject}
                    label={data?.label ?? ''}
                    onPick={(of) => {
                        setWanted('');
                        setAmount('');
                        setPicked(null);
                        router.get('/complete', { of });
                    }}
                />
                <NumberField
                    value={amount || (data?.qty ?? '')}
                    decimals={decimals}
                    label={t('Quantity')}
                    unit={data?.unit}
                    onChange={(text) => {
                        setWanted(at); // another quantity is asked for the same day
                        setAmount(text);
                    }}
                    className="w-20"
                />
                <span className="flex items-center gap-1">
                    <Button
                        className="!h-[28px] !px-2"
                        onClick={() => goTo(addDays(at, -1))}
                        disabled={!data}
                        aria-label={t('A day earlier')}
                    >
                        ‹
                    </Button>
                    <span className="min-w-24 text-center font-bold">{day(at, plan.planDate)}</span>
                    <Button className="!h-[28px] !px-2" onClick={() => goTo(addDays(at, 1))} disabled={!data} aria-label={t('A day later')}>
                        ›
                    </Button>
                    <MonthButton value={at} min={plan.planDate} today={plan.planDate} onPick={goTo} />
                </span>
                <Button
                    className="!h-[28px] !rounded-full text-sm"
                    disabled={!data || first.busy}
                    onClick={() => {
                        most.clear();
                        first.send(undefined);
                    }}
                >
                    {first.busy ? t('Looking ...') : t('First day that works')}
                </Button>
                <Button
                    className="!h-[28px] !rounded-full text-sm"
                    disabled={!data || most.busy}
                    onClick={() => {
                        first.clear();
                        most.send(at);
                    }}
                >
                    {most.busy ? t('Looking ...') : t('How many by then')}
                </Button>
                <PillToggle on={parts} onChange={setParts}>
                    {t('Bought parts in all')}
                </PillToggle>
            </div>
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {!subject ? (
                <Empty title={t('What should be complete?')}>
                    {t('Pick an order, a sales line or an item above; or come here from a shortage.')}
                </Empty>
            ) : (
                data && (
                    <>
                        <Verdict
                            answer={data}
                            today={plan.planDate}
                            first={first.answer}
                            most={most.answer}
                            draftable={canDraft}
                            onDraft={toDraft}
                            onGo={goTo}
                        />
                        {rows.length > 0 && (
                            <ThreadChart
                                key={subject}
                                rows={rows}
                                up={false}
                                planDate={plan.planDate}
                                due={at}
                                closed={data.closed}
                                wanted={{ day: at, onMove: goTo }}
                                picked={{ id: row?.id ?? null, onPick: pick }}
                            />
                        )}
                        {data.full && (
                            <p className="mt-2 text-mute">{t('There is more below than the picture holds; ask for a part of it.')}</p>
                        )}
                    </>
                )
            )}
            {data && parts ? (
                <Inspector label={t('Bought parts in all')}>
                    <BoughtParts rows={gross.data?.rows ?? null} onClose={() => setParts(false)} />
                </Inspector>
            ) : (
                need &&
                panel && (
                    <Inspector label={t('The part that is picked')}>
                        <AskedPart key={`${need.item} ${need.for}`} need={need} today={plan.planDate} onClose={() => setPanel(false)} />
                    </Inspector>
                )
            )}
        </>
    );
}

interface VerdictProps {
    answer: AvailabilityAnswer;
    today: string;
    first: EarliestDay | null;
    most: (PossibleQuantity & { due: string }) | null;
    draftable: boolean;
    onDraft: () => void;
    onGo: (day: string) => void;
}

/** The answer in words: when, because of what, what it does to others, and what was asked beside it. */
function Verdict({ answer, today, first, most, draftable, onDraft, onGo }: VerdictProps) {
    const hurts = answer.slips.slice(0, 4).map((slip) => [slip.label, slip.customer].filter(Boolean).join(' '));
    return (
        <div
            role="status"
            className={`mb-2.5 rounded border px-3.5 py-2 ${answer.inTime ? 'border-act bg-act-tint' : 'border-broken bg-broken-tint'}`}
        >
            <p className="text-lg">
                {answer.complete === null ? (
                    <strong>{t('Part of it is covered by nothing')}</strong>
                ) : (
                    <>
                        {t('Complete')} <strong>{day(answer.complete, today)}</strong>
                        {answer.inTime
                            ? `, ${t('in time')}`
                            : answer.decidedBy
                              ? `, ${t('because of :what', { what: answer.decidedBy })}`
                              : ''}
                        .
                    </>
                )}
            </p>
            <p className="flex flex-wrap items-baseline gap-x-3 text-sm text-mute">
                <span>
                    {rowsSay(answer)}{' '}
                    {answer.withShop ? t('The shop counts as it stands.') : t('Looked at for material only, not for capacity.')}
                </span>
                {hurts.length > 0 && <strong className="text-broken">{t('It would hurt :whom', { whom: hurts.join(', ') })}</strong>}
                {first?.day && <FirstDay first={first} today={today} onGo={onGo} />}
                {most && (
                    <span>
                        {t('By :day: :any :unit, ordering what is missing; :stock :unit from stock and open orders alone.', {
                            day: day(most.due, today),
                            any: qty(most.any),
                            stock: qty(most.stock),
                            unit: answer.unit,
                        })}
                    </span>
                )}
                {answer.figures
                    .filter((figure) => ['lateLines', 'lateDays'].includes(figure.name))
                    .map((figure) => (
                        <FigureChange key={figure.name} figure={figure} />
                    ))}
                {draftable && (
                    <button type="button" onClick={onDraft} className="font-semibold text-draft hover:underline">
                        {t('Draft :day', { day: day(answer.draftDay, today) })} <kbd className="font-sans text-mute">(D)</kbd>
                    </button>
                )}
            </p>
        </div>
    );
}

function rowsSay(answer: AvailabilityAnswer): string {
    if (answer.rows.length <= 1) {
        return t('Nothing has to be there for it.');
    }
    return answer.fromStock ? t('Stock and open orders are enough.') : t('Something has to be ordered for it.');
}

function FirstDay({ first, today, onGo }: { first: EarliestDay; today: string; onGo: (day: string) => void }) {
    const { day: found, hurts, harmless } = first;
    if (found === null) {
        return null;
    }
    if (hurts.length === 0) {
        return <span>{t('The first day that works is :day, and it hurts nobody else.', { day: day(found, today) })}</span>;
    }
    return (
        <span>
            {t('The first day that works is :day; it hurts :whom.', { day: day(found, today), whom: hurts.slice(0, 3).join(', ') })}{' '}
            {harmless === null ? (
                t('No day was found that hurts nobody else.')
            ) : (
                <button type="button" onClick={() => onGo(harmless)} className="font-semibold text-act hover:underline">
                    {t('The first that hurts nobody else is :day', { day: day(harmless, today) })}
                </button>
            )}
        </span>
    );
}

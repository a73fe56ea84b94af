import { Link, router } from '@inertiajs/react';
import { LoaderCircle } from 'lucide-react';
import { useEffect, useEffectEvent, useState } from 'react';
import { Button } from '@/components/Button';
import { MonthButton } from '@/components/DateField';
import { Empty } from '@/components/Empty';
import { FigureChange } from '@/components/FigureChange';
import { Notice } from '@/components/Notice';
import { NumberField } from '@/components/NumberField';
import { PageHead } from '@/components/PageHead';
import { PanelHead } from '@/components/PanelHead';
import { PillToggle } from '@/components/Pill';
import { RemedyCard } from '@/components/RemedyCard';
import { Inspector } from '@/layout/Shell';
import { useDraft, type Change } from '@/lib/draft';
import { addDays, day, isZero, qty } from '@/lib/format';
import { getJson } from '@/lib/http';
import { readQuantity } from '@/lib/quantities';
import type {
    AskedNeed,
    AvailabilityAnswer,
    CompletePage,
    EarliestDay,
    GrossRow,
    GrossRows,
    PossibleQuantity,
    ThreadRow,
} from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useLoaded } from '@/lib/useLoaded';
import { useRemedies } from '@/lib/useRemedies';
import { itemHref } from '@/pages/parts/ItemPanel';
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
    const byKey = useEffectEvent(() => canDraft && toDraft());

    useEffect(() => {
        const onKey = (event: globalThis.KeyboardEvent) => {
            const target = event.target as HTMLElement;
            if (
                event.key.toLowerCase() === 'd' &&
                !event.ctrlKey &&
                !event.metaKey &&
                !event.altKey &&
                !target.matches('input, textarea, select')
            ) {
                event.preventDefault();
                byKey();
            }
        };
        document.addEventListener('keydown', onKey);
        return () => document.removeEventListener('keydown', onKey);
    }, []);

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
                    <Parts rows={gross.data?.rows ?? null} onClose={() => setParts(false)} />
                </Inspector>
            ) : (
                need &&
                panel && (
                    <Inspector label={t('The part that is picked')}>
                        <Need key={`${need.item} ${need.for}`} need={need} today={plan.planDate} onClose={() => setPanel(false)} />
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
                    {rowsSay(answer)} {t('Looked at for material only, not for capacity.')}
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

/** A part of it: what is needed, what covers it, and the ways out where it stands so in the plan. */
function Need({ need, today, onClose }: { need: AskedNeed; today: string; onClose: () => void }) {
    const draft = useDraft();
    const short = !isZero(need.short);
    const { rows, looking } = useRemedies(short ? need.identity : null, need.item, draft.stamp);
    const titles = new Set(draft.state.lines.map((line) => line.sentence));
    return (
        <>
            <PanelHead title={`${need.item}, ${need.name}`} href={itemHref(need.item, need.site)} onClose={onClose} />
            <p className="text-mute">
                {need.decides && `${t('decides the day')}; `}
                {t('needed :day for :whom', { day: day(need.date, today), whom: need.for })}
            </p>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Its figures')}</h3>
            <table className="w-full text-sm">
                <tbody>
                    <Figure label={t('needed')} figure={`${qty(need.qty)} ${need.unit}`} />
                    {need.cover.map((one, place) => (
                        <Figure key={place} label={one.label} href={one.href} figure={qty(one.qty)} late={one.late} />
                    ))}
                    {short && <Figure label={t('not covered by :day', { day: day(need.date, today) })} figure={qty(need.short)} late />}
                </tbody>
            </table>
            {short && (
                <>
                    <h3 className="mt-3 mb-1 flex items-center gap-2 text-xs font-bold text-mute">
                        {t('Ways out')}
                        {looking && <LoaderCircle size={13} className="animate-spin text-act" aria-label={t('Planning each')} />}
                    </h3>
                    {need.identity === null ? (
                        <p className="text-sm text-mute">
                            {t('This is only asked. Draft it, and the ways out of what it lacks are worked out.')}
                        </p>
                    ) : (
                        <ul className="space-y-1.5">
                            {rows.map((remedy, place) => (
                                <RemedyCard
                                    key={`${remedy.kind} ${remedy.title}`}
                                    remedy={remedy}
                                    number={place + 1}
                                    drafted={titles.has(remedy.title)}
                                    today={today}
                                    disabled={!draft.may || draft.busy}
                                    onTry={() => void draft.add(JSON.parse(remedy.changes) as Change[], remedy.title)}
                                />
                            ))}
                        </ul>
                    )}
                </>
            )}
        </>
    );
}

function Figure({ label, figure, late = false, href = null }: { label: string; figure: string; late?: boolean; href?: string | null }) {
    return (
        <tr className="border-b border-soft">
            <th scope="row" className="py-1.5 text-left font-normal">
                {href ? (
                    <Link href={href} className="text-act hover:underline">
                        {label}
                    </Link>
                ) : (
                    label
                )}
            </th>
            <td className={`text-right font-semibold ${late ? 'text-broken' : ''}`}>{figure}</td>
        </tr>
    );
}

/** What is bought for it over all levels, what is missing first. */
function Parts({ rows, onClose }: { rows: GrossRow[] | null; onClose: () => void }) {
    const sorted = [...(rows ?? [])].sort((a, b) => Number(isZero(a.missing)) - Number(isZero(b.missing)));
    return (
        <>
            <PanelHead title={t('Bought parts in all')} onClose={onClose} />
            <p className="mb-2 text-sm text-mute">
                {t('Over all levels, as if nothing of what is made were on stock; stock and incoming whoever they are for.')}
            </p>
            {rows === null ? (
                <p>{t('Looking ...')}</p>
            ) : (
                <table className="w-full text-sm">
                    <thead className="text-xs text-mute">
                        <tr className="border-b border-line">
                            <th scope="col" className="py-1 text-left font-bold">
                                {t('Bought part')}
                            </th>
                            <th scope="col" className="text-right font-bold">
                                {t('needed')}
                            </th>
                            <th scope="col" className="text-right font-bold">
                                {t('missing')}
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {sorted.map((row) => (
                            <tr
                                key={`${row.item} ${row.site}`}
                                className="border-b border-soft"
                                title={t('on stock :stock, incoming :incoming', { stock: qty(row.stock), incoming: qty(row.incoming) })}
                            >
                                <th scope="row" className="max-w-0 truncate py-1 text-left font-normal">
                                    <Link href={itemHref(row.item, row.site)} className="font-bold hover:underline">
                                        {row.item}
                                    </Link>{' '}
                                    <span className="text-mute">{row.name}</span>
                                </th>
                                <td className="w-20 text-right whitespace-nowrap">
                                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                                </td>
                                <td className={`w-16 text-right ${isZero(row.missing) ? 'text-faint' : 'font-semibold text-broken'}`}>
                                    {isZero(row.missing) ? '·' : qty(row.missing)}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </>
    );
}

import { router } from '@inertiajs/react';
import { useState, type KeyboardEvent } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FigureChange } from '@/components/FigureChange';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillTabs } from '@/components/Pill';
import { useDraft, type Change } from '@/lib/draft';
import { addDays, day, isZero, qty } from '@/lib/format';
import { getJson } from '@/lib/http';
import type { AvailabilityAnswer, AvailabilityPage, EarliestDay, GrossRow, GrossRows, PossibleQuantity } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useLoaded } from '@/lib/useLoaded';
import { AvailabilityTree } from '@/pages/parts/AvailabilityTree';
import { SubjectBox } from '@/pages/parts/SubjectBox';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { MonthButton } from '@/components/DateField';
import { NumberField } from '@/components/NumberField';
import { readQuantity } from '@/lib/quantities';

/** Can it be complete on that day, and through what? Move the day or the quantity; every answer is planned, with the person's draft. */
export default function Availability({ subject, qty: firstQty, due: firstDue }: AvailabilityPage) {
    const { plan } = useShared();
    const draft = useDraft();
    const [wanted, setWanted] = useState(firstDue);
    const [amount, setAmount] = useState(firstQty);
    const [view, setView] = useState('tree');
    const asked = readQuantity(amount, 6).value;
    const query = new URLSearchParams({ of: subject, ...(asked && { qty: asked }), ...(wanted && { due: wanted }) }).toString();
    const stamp = `${draft.stamp} ${plan.id} ${plan.changes}`;
    const { data, trouble: refused } = useLoaded<AvailabilityAnswer>(subject ? `/availability/answer?${query}` : null, stamp);
    const parts = useLoaded<GrossRows>(subject && view === 'parts' ? `/availability/parts?${query}` : null, stamp);

    const at = wanted || data?.wanted || plan.planDate;
    const move = (days: number) => {
        const next = addDays(at, days);
        setWanted(next < plan.planDate ? plan.planDate : next);
    };
    const earliest = useCommand(
        () => getJson<EarliestDay>(`/availability/earliest?${query}`),
        ({ day: found }) => setWanted((old) => found ?? old),
    );
    const most = useCommand(async (due: string) => {
        const found = await getJson<PossibleQuantity>(`/availability/possible?${new URLSearchParams({ of: subject, due }).toString()}`);
        return { ...found, due, query };
    });
    const busy = earliest.busy || most.busy;
    const none = earliest.answer?.day === null ? t('No day was found on which all of it could be there.') : null;
    const trouble = earliest.trouble ?? most.trouble ?? none ?? refused;
    const changes = data ? (JSON.parse(data.changes) as Change[]) : [];
    const toDraft = () => void draft.add(changes);
    const onKey = (event: KeyboardEvent<HTMLElement>) => {
        const days = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key];
        if (days !== undefined) {
            event.preventDefault();
            move(days);
        } else if (event.key.toLowerCase() === 'd' && !event.ctrlKey && !event.metaKey && changes.length > 0 && draft.may) {
            event.preventDefault();
            toDraft();
        }
    };
    return (
        <>
            <PageHead title={t('Availability by structure')}>{data && `${data.label} ${data.name}`}</PageHead>
            <div className="mb-2.5 flex flex-wrap items-end gap-3 rounded border border-line bg-surface px-3 py-2.5 text-sm">
                <label className="flex flex-col gap-0.5">
                    <span className="text-xs font-bold text-mute">{t('Order, sales line or item')}</span>
                    <SubjectBox
                        value={subject}
                        label={data?.label ?? ''}
                        onPick={(of) => {
                            setWanted('');
                            setAmount('');
                            router.get('/availability', { of });
                        }}
                    />
                </label>
                <label className="flex flex-col gap-0.5">
                    <span className="text-xs font-bold text-mute">
                        {t('Quantity')} {data?.unit}
                    </span>
                    <NumberField value={amount || (data?.qty ?? '')} decimals={6} onChange={setAmount} className="w-24" />
                </label>
                <div className="flex flex-col gap-0.5">
                    <span className="text-xs font-bold text-mute" id="wanted-label">
                        {t('Wanted; arrow keys move it')}
                    </span>
                    <span className="flex items-center gap-1">
                        <Button className="!px-2" onClick={() => move(-1)} disabled={!data} aria-label={t('A day earlier')}>
                            ‹
                        </Button>
                        <span
                            role="spinbutton"
                            tabIndex={0}
                            aria-labelledby="wanted-label"
                            aria-valuenow={Math.round(Date.parse(at) / 86_400_000)}
                            aria-valuetext={day(at, plan.planDate)}
                            onKeyDown={onKey}
                            className="flex h-[30px] min-w-24 items-center justify-center rounded border border-line bg-surface px-2 font-bold"
                        >
                            {day(at, plan.planDate)}
                        </span>
                        <Button className="!px-2" onClick={() => move(1)} disabled={!data} aria-label={t('A day later')}>
                            ›
                        </Button>
                        <MonthButton value={at} min={plan.planDate} today={plan.planDate} onPick={setWanted} />
                    </span>
                </div>
                <Button
                    disabled={!data || busy}
                    onClick={() => {
                        most.clear();
                        earliest.send(undefined);
                    }}
                >
                    {earliest.busy ? t('Looking ...') : t('Earliest day')}
                </Button>
                <Button
                    disabled={!data || busy}
                    onClick={() => {
                        earliest.clear();
                        most.send(at);
                    }}
                >
                    {most.busy ? t('Looking ...') : t('How many by then')}
                </Button>
            </div>
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {!subject ? (
                <Empty title={t('What should be complete?')}>
                    {t('Pick an order, a sales line or an item above; or come here from a shortage.')}
                </Empty>
            ) : (
                data && (
                    <>
                        <Verdict answer={data} today={plan.planDate} canDraft={changes.length > 0 && draft.may} onDraft={toDraft} />
                        {most.answer?.query === query && (
                            <p className="mb-2.5 rounded border border-line bg-surface px-3 py-1.5" role="status">
                                {t('By :day: :any :unit, ordering what is missing; :stock :unit from stock and open orders alone.', {
                                    day: day(most.answer.due, plan.planDate),
                                    any: qty(most.answer.any),
                                    stock: qty(most.answer.stock),
                                    unit: data.unit,
                                })}
                            </p>
                        )}
                        <div className="mb-2 flex items-center gap-2">
                            <PillTabs
                                label={t('Show')}
                                value={view}
                                onChange={setView}
                                choices={[
                                    { value: 'tree', label: t('By structure') },
                                    { value: 'parts', label: t('Bought parts in all') },
                                ]}
                            />
                            {data.more > 0 && <span className="text-sm text-mute">{tn(':n more below', ':n more below', data.more)}</span>}
                        </div>
                        {view === 'tree' ? (
                            <AvailabilityTree rows={data.rows} today={plan.planDate} />
                        ) : (
                            parts.data && <Parts rows={parts.data.rows} />
                        )}
                    </>
                )
            )}
        </>
    );
}

function Verdict({
    answer,
    today,
    canDraft,
    onDraft,
}: {
    answer: AvailabilityAnswer;
    today: string;
    canDraft: boolean;
    onDraft: () => void;
}) {
    return (
        <div
            role="status"
            className={`mb-2.5 flex items-start gap-4 rounded border px-3 py-2 ${answer.inTime ? 'border-act bg-act-tint' : 'border-broken bg-broken-tint'}`}
        >
            <div className="min-w-0 flex-1">
                <p className="text-lg">
                    {answer.complete === null ? (
                        <strong>{t('Part of it is covered by nothing')}</strong>
                    ) : (
                        <>
                            {answer.inTime ? t('In time:') : t('Not in time:')}{' '}
                            <strong>{t('complete on :day', { day: day(answer.complete, today) })}</strong>
                            {answer.decidedBy && <span className="text-base">, {t('decided by :what', { what: answer.decidedBy })}</span>}
                        </>
                    )}
                </p>
                <p className="text-sm">
                    {answer.rows.length === 0
                        ? t('Nothing has to be there for it.')
                        : answer.fromStock
                          ? t('Stock and open orders are enough.')
                          : t('Something has to be ordered for it.')}
                    {answer.slips.length > 0 && (
                        <strong className="ml-2 text-broken">
                            {t('It would hurt :whom', {
                                whom: answer.slips
                                    .slice(0, 4)
                                    .map((slip) => [slip.label, slip.customer].filter(Boolean).join(' '))
                                    .join(', '),
                            })}
                        </strong>
                    )}
                </p>
                <p className="flex flex-wrap gap-x-4 text-sm">
                    {answer.figures
                        .filter((figure) => ['lateLines', 'lateDays', 'short'].includes(figure.name))
                        .map((figure) => (
                            <FigureChange key={figure.name} figure={figure} />
                        ))}
                </p>
            </div>
            {canDraft && (
                <Button look="draft" onClick={onDraft}>
                    {t('Draft this')} <kbd className="rounded border border-draft-tint px-1.5 font-sans text-xs">D</kbd>
                </Button>
            )}
        </div>
    );
}

function Parts({ rows }: { rows: GrossRow[] }) {
    const figure = (text: string) => (isZero(text) ? <span className="text-faint">·</span> : qty(text));
    const columns: DataColumn<GrossRow>[] = [
        {
            id: 'item',
            head: t('Bought part'),
            sort: (row) => row.item,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        { id: 'site', head: t('Site'), width: '70px', sort: (row) => row.site, cell: (row) => row.site },
        {
            id: 'qty',
            head: t('Needed in all'),
            width: '110px',
            right: true,
            cell: (row) => (
                <>
                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        { id: 'stock', head: t('On stock'), width: '110px', right: true, cell: (row) => figure(row.stock) },
        { id: 'incoming', head: t('Incoming'), width: '110px', right: true, cell: (row) => figure(row.incoming) },
        {
            id: 'missing',
            head: t('Missing'),
            width: '110px',
            right: true,
            cell: (row) => figure(row.missing),
            cellLook: (row) => (isZero(row.missing) ? '' : 'font-semibold text-broken'),
        },
    ];
    return (
        <DataTable
            name="gross"
            label={t('Bought part')}
            columns={columns}
            rows={rows}
            keyOf={(row) => `${row.item} ${row.site}`}
            foot={t('Over all levels, as if nothing of what is made were on stock; stock and incoming whoever they are for.')}
        />
    );
}

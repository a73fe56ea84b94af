import { Link, router } from '@inertiajs/react';
import { FileText } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect } from '@/components/Pill';
import { useDraft, type Change } from '@/lib/draft';
import { day, isZero, qty } from '@/lib/format';
import { postJson } from '@/lib/http';
import type { BoardPlaces, WorkList as List, WorkListPage, WorkRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { clockOf } from '@/pages/parts/BoardCanvas';
import { CapacityTabs } from '@/pages/parts/CapacityTabs';
import { MissForm } from '@/pages/parts/MissForm';
import { ReportForm } from '@/pages/parts/ReportForm';

const keyOf = (row: WorkRow) => `${row.of} ${row.op}`;

/** What runs next at a work centre, large enough for a screen at the machine; reported from here, and put into another sequence. */
export default function WorkList({ centres, centre, planned }: WorkListPage) {
    const { user, plan } = useShared();
    const draft = useDraft();
    const [round, setRound] = useState(0);
    const { data: list, trouble: refused } = useLoaded<List>(
        planned && centre !== '' ? `/worklist/rows?${new URLSearchParams({ centre }).toString()}` : null,
        `${draft.stamp} ${plan.id} ${plan.changes} ${round}`,
    );
    const [open, setOpen] = useState<string | null>(null);
    const [told, setTold] = useState<string | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [dragged, setDragged] = useState<string | null>(null);
    const mayReport = user.can.includes('report work');
    const maySequence = user.can.includes('convert production') && draft.may;
    const rows = list?.rows ?? [];
    const at = rows.findIndex((row) => keyOf(row) === open);
    const [missed, setMissed] = useState<string | null>(null);
    const done = (message: string) => {
        setTold(message);
        setOpen(null);
        setMissed(null);
        setRound((old) => old + 1);
        router.reload();
    };

    // one before another on its unit: it begins where that one does, and the rest is pushed later
    const before = async (row: WorkRow, other: WorkRow) => {
        setTrouble(null);
        try {
            const { places, changes } = await postJson<BoardPlaces>('/board/place', {
                way: 'push',
                moves: [
                    { of: row.of, op: row.op, centre: list?.centre ?? '', units: other.units.split(';').map(Number), start: other.start },
                ],
            });
            const why = places.find((place) => place.trouble !== null)?.trouble;
            if (why) {
                setTrouble(t('It cannot stand there: :why. Nothing was moved.', { why }));
            } else {
                await draft.add(JSON.parse(changes) as Change[]);
            }
        } catch (cause) {
            setTrouble(cause instanceof Error ? cause.message : null);
        }
    };
    const onKey = (event: KeyboardEvent, place: number) => {
        const row = rows[place];
        if (event.target !== event.currentTarget || !row) {
            return;
        }
        const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
        if (step !== 0 && event.altKey) {
            const other = step < 0 ? rows[place - 1] : rows[place + 1];
            if (maySequence && other) {
                event.preventDefault();
                void (step < 0 ? before(row, other) : before(other, row));
            }
        } else if (step !== 0) {
            event.preventDefault();
            document.querySelector<HTMLElement>(`[data-work="${place + step}"]`)?.focus();
        } else if (event.key === 'Enter' && mayReport) {
            event.preventDefault();
            setOpen(open === keyOf(row) ? null : keyOf(row));
        }
    };
    return (
        <>
            <PageHead title={list ? `${list.centre} ${list.name}` : t('Work lists')} tab={t('Work lists')}>
                {list && tn('1 operation to come', ':n operations to come', list.count)}
            </PageHead>
            <CapacityTabs on="worklist" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillSelect
                    label={t('Centre')}
                    value={centre}
                    onChange={(code) => router.get('/worklist', { centre: code })}
                    choices={centres.map((one) => ({ value: one.code, label: `${one.code} ${one.name}` }))}
                />
                {list && (
                    <a
                        href={`/worklist.pdf?${new URLSearchParams({ centre: list.centre }).toString()}`}
                        className="inline-flex h-[27px] items-center gap-1.5 rounded-full border border-line bg-surface px-3 text-sm font-semibold hover:border-mute"
                    >
                        <FileText size={14} aria-hidden /> {t('On paper (PDF)')}
                    </a>
                )}
                {maySequence && <span className="text-sm text-mute">{t('Drag a row, or Alt and an arrow, for another sequence.')}</span>}
            </div>
            {told && (
                <Notice tone="done" onClose={() => setTold(null)}>
                    {told}.
                </Notice>
            )}
            {(trouble ?? refused) && (
                <Notice tone="broken" onClose={() => setTrouble(null)}>
                    {trouble ?? refused}
                </Notice>
            )}
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : list === null ? (
                !refused && (
                    <p role="status" className="mt-4 text-mute">
                        {t('Laying out the shop ...')}
                    </p>
                )
            ) : rows.length === 0 ? (
                <Empty title={t('Nothing is to be done here')}>{t('No operation stands at this centre.')}</Empty>
            ) : (
                <ol aria-label={t('What runs next')} className="rounded border border-line bg-surface">
                    {rows.map((row, place) => (
                        <li
                            key={keyOf(row)}
                            data-work={place}
                            tabIndex={0}
                            aria-expanded={mayReport ? place === at : undefined}
                            draggable={maySequence}
                            onDragStart={() => setDragged(keyOf(row))}
                            onDragOver={(event) => dragged !== null && event.preventDefault()}
                            onDrop={() => {
                                const from = rows.find((one) => keyOf(one) === dragged);
                                setDragged(null);
                                if (from && from !== row) {
                                    void before(from, row);
                                }
                            }}
                            onKeyDown={(event) => onKey(event, place)}
                            className="border-b border-soft px-3.5 py-2.5 last:border-b-0 focus-visible:-outline-offset-2"
                        >
                            <Line row={row} first={place === 0} />
                            {row.code !== null && (
                                <div className="mt-1.5 space-y-2">
                                    {place === at && <ReportForm row={row} code={row.code} onDone={done} onBack={() => setOpen(null)} />}
                                    {missed === keyOf(row) && <MissForm order={row.code} parts={row.parts} onDone={done} />}
                                    <p className="flex items-center gap-4">
                                        {mayReport && place !== at && (
                                            <Button className="!h-[30px]" onClick={() => setOpen(keyOf(row))}>
                                                {t('Report')}
                                            </Button>
                                        )}
                                        {row.parts.length > 0 && (
                                            <button
                                                type="button"
                                                aria-expanded={missed === keyOf(row)}
                                                onClick={() => setMissed(missed === keyOf(row) ? null : keyOf(row))}
                                                className="min-h-6 font-semibold text-act hover:underline"
                                            >
                                                {missed === keyOf(row) ? t('Nothing is missing') : t('Material is missing')}
                                            </button>
                                        )}
                                        <Link
                                            href={`/orders/line?${new URLSearchParams({ code: row.code }).toString()}`}
                                            className="inline-flex min-h-6 items-center font-semibold text-act hover:underline"
                                        >
                                            {t('The order')}
                                        </Link>
                                    </p>
                                </div>
                            )}
                        </li>
                    ))}
                </ol>
            )}
        </>
    );
}

/** One operation in large letters: when, what, how many, and whether its material is there. */
function Line({ row, first }: { row: WorkRow; first: boolean }) {
    const { plan } = useShared();
    return (
        <div className="grid grid-cols-[150px_minmax(0,1.3fr)_150px_minmax(0,1fr)] items-baseline gap-x-4">
            <p className="text-lg">
                <strong>{clockOf(plan.planDate, row.start)}</strong>
                <span className="block text-base text-mute">
                    {t('unit :n', { n: row.units.replaceAll(';', ', ') })}
                    {first && ` · ${t('next')}`}
                </span>
            </p>
            <p className="min-w-0 text-lg">
                <strong>
                    {row.item} <span className="font-normal">{row.name}</span>
                </strong>
                <span className="block truncate text-base text-mute">
                    {row.label} / {row.op}
                    {row.way && <span className={row.late > 0 ? 'font-semibold text-broken' : ''}> · {row.way}</span>}
                </span>
            </p>
            <p className="text-lg whitespace-nowrap">
                <strong>{qty(row.qty, row.decimals)}</strong> {row.unit}
                <span className="block text-base text-mute">
                    {isZero(row.done) ? '' : t(':n done', { n: qty(row.done, row.decimals) })}
                </span>
            </p>
            <p className="min-w-0">
                {row.until === null ? (
                    <strong className="text-act-dark">✓ {t('material ready')}</strong>
                ) : (
                    <strong className="text-look-ink">
                        {t('waits for :what until :day', { what: row.missing.slice(0, 3).join(', '), day: day(row.until, plan.planDate) })}
                    </strong>
                )}
                {(row.setup > 0 || row.setupTo !== '') && (
                    <span className="block text-mute">
                        {row.setup > 0 && t('setup :n min', { n: row.setup })}
                        {row.setupTo !== '' && ` ${row.setupFrom === '' ? '' : `${row.setupFrom} → `}${row.setupTo}`}
                    </span>
                )}
                {row.remarks.map((remark) => (
                    <span key={remark} className="block truncate text-look-ink" title={remark}>
                        {remark}
                    </span>
                ))}
            </p>
        </div>
    );
}

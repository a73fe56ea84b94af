import { router } from '@inertiajs/react';
import { Lock } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { MaybeLink } from '@/components/MaybeLink';
import { PageHead } from '@/components/PageHead';
import { WhatCame } from '@/components/WhatCame';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { SavedViews } from '@/components/SavedViews';
import { day, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { HeldOrder, HeldRow, ReservationsPage, Told } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { useCommand } from '@/lib/useCommand';

const DEFAULTS = { view: 'orders' };

/** What is held for whom: by order how far it is complete, and each hold by itself. Written at once; nothing is held twice. */
export default function Reservations({ filter, orders, held, matching, allOrders, allHolds, views }: ReservationsPage) {
    const { plan, user } = useShared();
    const [ticked, setTicked] = useState<Set<string>>(new Set());
    const may = user.can.includes('hold supply');
    const more = matching - orders.length - held.length;
    const foot = more > 0 ? t(':n more are not shown. Narrow the list to see them.', { n: more }) : '';
    const change = (changes: Record<string, string>) => refilter('/reservations', filter, changes, DEFAULTS);
    const write = useCommand(
        ({ url, body }: { url: string; body: Record<string, unknown> }) => postJson<Told>(url, { ...body, key: freshKey() }),
        () => {
            setTicked(new Set());
            router.reload();
        },
    );
    const send = (url: string, body: Record<string, unknown>) => write.send({ url, body });
    const pick = (some: HeldOrder[], on: boolean) =>
        setTicked((old) => {
            const next = new Set(old);
            some.forEach(({ reference }) => (on ? next.add(reference) : next.delete(reference)));
            return next;
        });
    return (
        <>
            <PageHead title={t('Reservations')}>{t(':n orders and sales lines, :held holds', { n: allOrders, held: allHolds })}</PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Show')}
                    value={filter.view ?? 'orders'}
                    onChange={(view) => change({ view })}
                    choices={[
                        { value: 'orders', label: t('By order') },
                        { value: 'held', label: t('What is held') },
                    ]}
                />
                {filter.view !== 'held' && (
                    <>
                        <PillSelect
                            label={t('Held')}
                            value={filter.status ?? ''}
                            onChange={(status) => change({ status })}
                            choices={[
                                { value: '', label: t('Held or not') },
                                { value: 'complete', label: t('All held') },
                                { value: 'partly', label: t('Some held') },
                                { value: 'none', label: t('Nothing held') },
                            ]}
                        />
                        <PillToggle on={filter.there === '1'} onChange={(on) => change({ there: on ? '1' : '' })}>
                            {t('All there in time')}
                        </PillToggle>
                    </>
                )}
                <SavedViews page="reservations" path="/reservations" views={views} filter={filter} />
                {may && filter.view !== 'held' && (
                    <Button
                        look="act"
                        disabled={ticked.size === 0 || write.busy}
                        onClick={() => send('/reservations/hold-for', { references: [...ticked] })}
                    >
                        {tn('Hold what is there for :n', 'Hold what is there for :n', ticked.size)}
                    </Button>
                )}
                <span className="order-last">
                    <ExportLink list="reservations" params={filter} />
                </span>
                <FindBox label={t('Find order, item')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            <WhatCame of={write} />
            {filter.view === 'held' ? (
                held.length === 0 ? (
                    <Empty title={t('Nothing is held')}>
                        {t('Tick orders and hold for them what is there; or hold by hand from a shortage.')}
                    </Empty>
                ) : (
                    <HeldTable rows={held} foot={foot} today={plan.planDate} may={may && !write.busy} onSend={send} />
                )
            ) : orders.length === 0 ? (
                <Empty title={t('No order fits')}>{t('Take a filter away.')}</Empty>
            ) : (
                <OrderTable orders={orders} foot={foot} today={plan.planDate} ticked={ticked} may={may} onPick={pick} />
            )}
        </>
    );
}

interface OrderTableProps {
    foot: string;
    orders: HeldOrder[];
    today: string;
    ticked: Set<string>;
    may: boolean;
    onPick: (orders: HeldOrder[], on: boolean) => void;
}

function OrderTable({ orders, foot, today, ticked, may, onPick }: OrderTableProps) {
    const columns: DataColumn<HeldOrder>[] = [
        {
            id: 'for',
            head: t('For'),
            width: '18%',
            sort: (order) => order.subject.label,
            title: (order) => order.subject.label,
            cell: (order) => <MaybeLink to={order.subject} className="inline-block min-h-6 leading-6 font-semibold hover:underline" />,
        },
        {
            id: 'item',
            head: t('Item'),
            sort: (order) => order.item,
            cell: (order) => (
                <>
                    {order.item} <span className="text-mute">{order.name}</span>
                </>
            ),
        },
        { id: 'due', head: t('Due'), width: '92px', right: true, sort: (order) => order.due, cell: (order) => day(order.due, today) },
        {
            id: 'held',
            head: t('Held'),
            width: '22%',
            look: 'pl-5',
            sort: (order) => order.heldShare,
            cell: (order) => (
                <span className="flex items-center gap-2.5">
                    <HeldStrip order={order} />
                    {order.wanted
                        ? t(':n of :all held', { n: qty(order.kept), all: qty(order.wanted) })
                        : t(':n of :all parts held', { n: order.complete, all: order.needs })}
                </span>
            ),
        },
        {
            id: 'rest',
            head: t('The rest'),
            width: '16%',
            sort: (order) => order.freeShare,
            cell: (order) => rest(order),
            cellLook: (order) => (order.status === 'complete' ? 'text-mute' : order.available ? 'text-act' : 'text-broken'),
        },
        {
            id: 'room',
            head: t('No room at'),
            width: '170px',
            sort: (order) => order.room ?? '',
            title: (order) => order.room ?? '',
            cell: (order) => order.room ?? '',
            cellLook: () => 'text-look-ink font-semibold',
        },
    ];
    return (
        <DataTable
            name="reservations"
            label={t('Reservations')}
            columns={columns}
            rows={orders}
            foot={foot}
            keyOf={(order) => order.reference}
            rowLook={(order) => (ticked.has(order.reference) ? '!bg-act-tint' : '')}
            ticks={{
                picked: (order) => ticked.has(order.reference),
                may: () => may,
                label: (order) => t('Tick :what', { what: order.subject.label }),
                all: t('Tick all'),
                onPick,
            }}
        />
    );
}

/** What is not held: whether it is there, so that it could be. */
function rest(order: HeldOrder): string {
    if (order.status === 'complete') {
        return t('nothing is left to hold');
    }
    if (order.available) {
        return t('all of it is there in time');
    }
    if (order.holdable > 0 && order.wanted) {
        return t('some of it is there in time');
    }
    return order.holdable > 0 ? tn('of 1 part more is there', 'of :n parts more is there', order.holdable) : t('not there in time');
}

/** The cover strip of what is held: the held part under lock, what is there beside it, and what is not. */
function HeldStrip({ order }: { order: HeldOrder }) {
    const words = t('held :held %, there in time :free %', {
        held: Math.round(order.heldShare / 10),
        free: Math.round(order.freeShare / 10),
    });
    const missing = order.available ? 0 : Math.max(0, 1000 - order.heldShare - order.freeShare);
    return (
        <span role="img" aria-label={words} title={words} className="flex h-3 w-24 shrink-0 gap-px">
            {order.heldShare > 0 && (
                <span className="cover-stock flex min-w-3 items-center rounded-[1px]" style={{ flexGrow: order.heldShare, flexBasis: 0 }}>
                    <Lock size={9} strokeWidth={3} className="mx-0.5 shrink-0 text-surface" aria-hidden />
                </span>
            )}
            {order.freeShare > 0 && (
                <span className="cover-order min-w-1 rounded-[1px]" style={{ flexGrow: order.freeShare, flexBasis: 0 }} />
            )}
            {missing > 0 && <span className="cover-nothing min-w-1 rounded-[1px]" style={{ flexGrow: missing, flexBasis: 0 }} />}
        </span>
    );
}

interface HeldTableProps {
    foot: string;
    rows: HeldRow[];
    today: string;
    may: boolean;
    onSend: (url: string, body: Record<string, unknown>) => void;
}

function HeldTable({ rows, foot, today, may, onSend }: HeldTableProps) {
    const [giving, setGiving] = useState<string | null>(null);
    const [other, setOther] = useState('');
    const columns: DataColumn<HeldRow>[] = [
        {
            id: 'item',
            head: t('Item'),
            sort: (row) => row.item,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        {
            id: 'held',
            head: t('Held'),
            width: '90px',
            right: true,
            cell: (row) => (
                <>
                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        {
            id: 'of',
            head: t('Of'),
            width: '170px',
            look: 'pl-5',
            sort: (row) => row.from,
            title: (row) => row.from,
            cell: (row) => row.from,
        },
        { id: 'there', head: t('There'), width: '92px', right: true, cell: (row) => (row.arrives ? day(row.arrives, today) : '') },
        {
            id: 'for',
            head: t('For'),
            width: '190px',
            look: 'pl-5',
            sort: (row) => row.consumer.label,
            title: (row) => row.consumer.label,
            cell: (row) => <MaybeLink to={row.consumer} />,
        },
        {
            id: 'needed',
            head: t('Needed'),
            width: '92px',
            right: true,
            sort: (row) => row.due ?? '',
            cell: (row) => (row.due ? day(row.due, today) : ''),
        },
        {
            id: 'do',
            head: '',
            about: t('What to do'),
            width: '200px',
            right: true,
            cell: (row) => {
                const key = keyOf(row);
                return (
                    <>
                        {may && giving !== key && (
                            <>
                                <button
                                    type="button"
                                    className="font-semibold text-act hover:underline"
                                    onClick={() => {
                                        setGiving(key);
                                        setOther('');
                                    }}
                                >
                                    {t('For another')}
                                </button>
                                <button
                                    type="button"
                                    className="ml-3 font-semibold text-act hover:underline"
                                    aria-label={t('Free :item from :what', { item: row.item, what: row.consumer.label })}
                                    onClick={() => onSend('/reservations/free', { demand: row.demand, supply: row.supply })}
                                >
                                    {t('Free')}
                                </button>
                            </>
                        )}
                        {giving === key && (
                            <form
                                className="flex justify-end gap-1"
                                onSubmit={(event) => {
                                    event.preventDefault();
                                    setGiving(null);
                                    onSend('/reservations/give', {
                                        demand: row.demand,
                                        supply: row.supply,
                                        other,
                                        qty: row.qty,
                                    });
                                }}
                            >
                                <select
                                    required
                                    aria-label={t('For which other')}
                                    value={other}
                                    onChange={(event) => setOther(event.target.value)}
                                    className="h-[26px] w-28 rounded border border-line bg-surface text-sm"
                                >
                                    <option value="">{t('For which?')}</option>
                                    {row.others.map((one) => (
                                        <option key={one.of} value={one.of}>
                                            {one.label}, {one.note}
                                        </option>
                                    ))}
                                </select>
                                <Button type="submit" className="!h-[26px]">
                                    {t('Hold')}
                                </Button>
                            </form>
                        )}
                    </>
                );
            },
        },
    ];
    return <DataTable name="held" label={t('What is held')} columns={columns} rows={rows} foot={foot} keyOf={keyOf} />;
}

function keyOf(row: HeldRow): string {
    return `${row.demand} ${row.supply}`;
}

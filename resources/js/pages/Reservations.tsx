import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { MaybeLink } from '@/components/MaybeLink';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs, PillToggle } from '@/components/Pill';
import { SavedViews, type SavedView } from '@/components/SavedViews';
import { day, qty } from '@/lib/format';
import { freshKey, postJson, Refusal } from '@/lib/http';
import type { HeldOrder, HeldRow } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { moveAmongRows } from '@/lib/useRowKeys';

interface Props {
    filter: Record<string, string>;
    orders: HeldOrder[];
    held: HeldRow[];
    views: SavedView[];
}

const DEFAULTS = { view: 'orders' };

/** What is held for whom: by order how far it is complete, and each hold by itself. Written at once; nothing is held twice. */
export default function Reservations({ filter, orders, held, views }: Props) {
    const { plan, user } = useShared();
    const [ticked, setTicked] = useState<Set<string>>(new Set());
    const [done, setDone] = useState<string | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const may = user.can.includes('hold supply');
    const text = (filter.q ?? '').toLowerCase();
    const has = (...parts: string[]) => text === '' || parts.some((part) => part.toLowerCase().includes(text));
    const shown = orders.filter(
        (order) =>
            (filter.status === '' || order.status === filter.status) &&
            (filter.there !== '1' || order.available) &&
            has(order.subject.label, order.item, order.name),
    );
    const rows = held.filter((row) => has(row.consumer.label, row.item, row.name, row.from));
    const change = (changes: Record<string, string>) => refilter('/reservations', filter, changes, DEFAULTS);
    const send = (url: string, body: Record<string, unknown>) => {
        setBusy(true);
        void postJson<{ message: string }>(url, { ...body, key: freshKey() })
            .then(({ message }) => {
                setDone(message);
                setTrouble(null);
                setTicked(new Set());
                router.reload();
            })
            .catch((cause: unknown) => {
                setDone(null);
                setTrouble(cause instanceof Refusal ? cause.message : String(cause));
            })
            .finally(() => setBusy(false));
    };
    const toggle = (reference: string) =>
        setTicked((old) => {
            const next = new Set(old);
            if (!next.delete(reference)) {
                next.add(reference);
            }
            return next;
        });
    return (
        <>
            <PageHead title={t('Reservations')}>
                {t('{n} orders and sales lines, {held} holds', { n: orders.length, held: held.length })}
            </PageHead>
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
                            label={t('State')}
                            value={filter.status ?? ''}
                            onChange={(status) => change({ status })}
                            choices={[
                                { value: '', label: t('Any state') },
                                { value: 'complete', label: t('Complete') },
                                { value: 'partly', label: t('Partly') },
                                { value: 'none', label: t('Not held') },
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
                        disabled={ticked.size === 0 || busy}
                        onClick={() => send('/reservations/hold-for', { references: [...ticked] })}
                    >
                        {tn('Check and hold for {n}', 'Check and hold for {n}', ticked.size)}
                    </Button>
                )}
                <FindBox label={t('Find order, item')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {done && (
                <Notice tone="done" onClose={() => setDone(null)}>
                    {done}
                </Notice>
            )}
            {trouble && (
                <Notice tone="broken" onClose={() => setTrouble(null)}>
                    {trouble}
                </Notice>
            )}
            {filter.view === 'held' ? (
                rows.length === 0 ? (
                    <Empty title={t('Nothing is held')}>
                        {t('Tick orders and hold for them what is there; or hold by hand from a shortage.')}
                    </Empty>
                ) : (
                    <HeldTable rows={rows} today={plan.planDate} may={may && !busy} onSend={send} />
                )
            ) : shown.length === 0 ? (
                <Empty title={t('No order fits')}>{t('Take a filter away.')}</Empty>
            ) : (
                <OrderTable orders={shown} today={plan.planDate} ticked={ticked} may={may} onToggle={toggle} onAll={setTicked} />
            )}
        </>
    );
}

const STATUS: Record<string, { label: string; look: string }> = {
    complete: { label: 'complete', look: 'font-semibold text-act' },
    partly: { label: 'partly', look: 'font-semibold text-look-ink' },
    none: { label: 'not held', look: 'text-mute' },
};

interface OrderTableProps {
    orders: HeldOrder[];
    today: string;
    ticked: Set<string>;
    may: boolean;
    onToggle: (reference: string) => void;
    onAll: (ticked: Set<string>) => void;
}

function OrderTable({ orders, today, ticked, may, onToggle, onAll }: OrderTableProps) {
    const all = orders.length > 0 && orders.every((order) => ticked.has(order.reference));
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="border-b border-line text-left text-xs text-mute">
                        <th scope="col" className="w-9 px-3 py-1.5">
                            {may && (
                                <input
                                    type="checkbox"
                                    aria-label={t('Tick all')}
                                    checked={all}
                                    onChange={() => onAll(all ? new Set() : new Set(orders.map((order) => order.reference)))}
                                />
                            )}
                        </th>
                        <th scope="col" className="w-[210px]">
                            {t('For')}
                        </th>
                        <th scope="col">{t('Item')}</th>
                        <th scope="col" className="w-[92px] text-right">
                            {t('Due')}
                        </th>
                        <th scope="col" className="w-[130px] text-right">
                            {t('Held')}
                        </th>
                        <th scope="col" className="w-[110px] pl-6">
                            {t('State')}
                        </th>
                        <th scope="col" className="w-[140px] px-3">
                            {t('There in time')}
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {orders.map((order) => (
                        <tr
                            key={order.reference}
                            data-row
                            tabIndex={0}
                            onKeyDown={(event) => {
                                if (event.key === ' ' && event.target === event.currentTarget && may) {
                                    event.preventDefault();
                                    onToggle(order.reference);
                                }
                            }}
                            className={`h-8 border-b border-soft -outline-offset-2 last:border-0 ${ticked.has(order.reference) ? 'bg-act-tint' : ''}`}
                        >
                            <td className="px-3">
                                {may && (
                                    <input
                                        type="checkbox"
                                        tabIndex={-1}
                                        aria-label={t('Tick {what}', { what: order.subject.label })}
                                        checked={ticked.has(order.reference)}
                                        onChange={() => onToggle(order.reference)}
                                    />
                                )}
                            </td>
                            <td className="truncate pr-2" title={order.subject.label}>
                                <MaybeLink to={order.subject} className="font-semibold hover:underline" tabIndex={-1} />
                            </td>
                            <td className="truncate">
                                {order.item} <span className="text-mute">{order.name}</span>
                            </td>
                            <td className="text-right whitespace-nowrap">{day(order.due, today)}</td>
                            <td className="text-right whitespace-nowrap">
                                {order.wanted
                                    ? t('{n} of {all}', { n: qty(order.kept), all: qty(order.wanted) })
                                    : t('{n} of {all} parts', { n: order.complete, all: order.needs })}
                            </td>
                            <td className={`pl-6 ${STATUS[order.status]?.look ?? ''}`}>{t(STATUS[order.status]?.label ?? '')}</td>
                            <td className={`px-3 ${order.available ? 'text-act' : 'text-broken'}`}>
                                {order.available ? t('yes, all of it') : t('not all of it')}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

interface HeldTableProps {
    rows: HeldRow[];
    today: string;
    may: boolean;
    onSend: (url: string, body: Record<string, unknown>) => void;
}

function HeldTable({ rows, today, may, onSend }: HeldTableProps) {
    const [giving, setGiving] = useState<string | null>(null);
    const [other, setOther] = useState('');
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="border-b border-line text-left text-xs text-mute">
                        <th scope="col" className="px-3 py-1.5">
                            {t('Item')}
                        </th>
                        <th scope="col" className="w-[90px] text-right">
                            {t('Held')}
                        </th>
                        <th scope="col" className="w-[170px] pl-6">
                            {t('Of')}
                        </th>
                        <th scope="col" className="w-[92px] text-right">
                            {t('There')}
                        </th>
                        <th scope="col" className="w-[190px] pl-6">
                            {t('For')}
                        </th>
                        <th scope="col" className="w-[92px] text-right">
                            {t('Needed')}
                        </th>
                        <th scope="col" className="w-[190px] px-3 text-right" aria-label={t('What to do')} />
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => {
                        const key = `${row.demand} ${row.supply}`;
                        return (
                            <tr key={key} data-row tabIndex={0} className="h-8 border-b border-soft -outline-offset-2 last:border-0">
                                <td className="truncate px-3">
                                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                                </td>
                                <td className="text-right whitespace-nowrap">
                                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                                </td>
                                <td className="truncate pl-6">{row.from}</td>
                                <td className="text-right whitespace-nowrap">{row.arrives ? day(row.arrives, today) : ''}</td>
                                <td className="truncate pl-6" title={row.consumer.label}>
                                    <MaybeLink to={row.consumer} />
                                </td>
                                <td className="text-right whitespace-nowrap">{row.due ? day(row.due, today) : ''}</td>
                                <td className="px-3 text-right whitespace-nowrap">
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
                                                aria-label={t('Free {item} from {what}', { item: row.item, what: row.consumer.label })}
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
                                </td>
                            </tr>
                        );
                    })}
                </tbody>
            </table>
        </div>
    );
}

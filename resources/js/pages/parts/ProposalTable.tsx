import { CauseStrip } from '@/components/CauseStrip';
import { day, inDays, qty } from '@/lib/format';
import type { LineToConvert, ProposalGroup, ProposalRow } from '@/lib/shapes';
import { swapped } from '@/lib/digits';
import { t } from '@/lib/t';
import { type DataColumn, DataTable, type Order } from '@/components/DataTable';

/** What someone changed of a proposal before converting it. */
export interface Edit {
    qty?: string;
    due?: string;
    /** Another way to get it. */
    way?: string;
    /** The day of what is left, where less is ordered. */
    rest?: string;
}

interface Props {
    groups: ProposalGroup[];
    by: string;
    picked: ReadonlySet<number>;
    edits: ReadonlyMap<number, Edit>;
    /** What the changed ones are worth, as they were changed. */
    worth: ReadonlyMap<number, LineToConvert>;
    open: number | null;
    mayConvert: (row: ProposalRow) => boolean;
    onPick: (numbers: number[], on: boolean) => void;
    onEdit: (number: number, edit: Edit) => void;
    onOpen: (number: number) => void;
    total: number;
    more: (() => void) | null;
    order: Order;
}

/** Proposals under headings; ticked ones are converted together. Space ticks a row, Enter goes into its quantity. */
export function ProposalTable({ groups, by, picked, edits, worth, open, mayConvert, onPick, onEdit, onOpen, total, more, order }: Props) {
    const passed = (row: ProposalRow) => (row.daysToStart < 0 ? 'font-semibold text-broken' : '');
    const columns: DataColumn<ProposalRow>[] = [
        {
            id: 'item',
            head: t('Item'),
            sort: true,
            title: (row) =>
                [`${row.item} ${row.name}, ${row.site}`, edits.has(row.number) ? worth.get(row.number)?.instead : null]
                    .filter(Boolean)
                    .join(', '),
            cell: (row) => (
                <>
                    <span className="font-bold">{row.item}</span> <span className="text-mute">{row.name}</span>
                    {worth.get(row.number)?.instead && edits.has(row.number) && (
                        <strong className="text-draft"> {worth.get(row.number)?.instead}</strong>
                    )}
                    {by !== 'supplier' && <span className="text-mute"> · {row.kind === 'buy' ? row.supplierName : row.site}</span>}
                </>
            ),
        },
        {
            id: 'qty',
            head: t('Quantity'),
            width: '104px',
            right: true,
            sort: true,
            cell: (row) => <QuantityCell row={row} edit={edits.get(row.number)} may={mayConvert(row)} onEdit={onEdit} />,
        },
        { id: 'start', head: t('Start by'), width: '84px', right: true, sort: true, cell: (row) => day(row.start), cellLook: passed },
        { id: 'wanted', head: t('Wanted'), width: '84px', right: true, sort: true, cell: (row) => day(row.wanted) },
        {
            id: 'when',
            head: t('When'),
            width: '100px',
            wide: true,
            sort: true,
            look: 'pl-2',
            cellLook: passed,
            title: (row) => row.restsWhy,
            cell: (row) =>
                row.restsUntil ? (
                    t('until :day', { day: day(row.restsUntil) })
                ) : row.waitsFor && row.daysToStart >= 0 ? (
                    <span className="font-semibold text-look-ink">{t('waits for :item', { item: row.waitsFor })}</span>
                ) : (
                    inDays(row.daysToStart)
                ),
        },
        {
            id: 'for',
            head: t('For'),
            width: '156px',
            sort: true,
            title: (row) => row.purpose,
            cell: (row) => (
                <>
                    <CauseStrip causes={row.causes} /> <span className="ml-1">{row.purpose}</span>
                </>
            ),
        },
        {
            id: 'value',
            head: t('Value'),
            width: by === 'supplier' ? '64px' : '92px',
            right: true,
            sort: true,
            cell: (row) => {
                const changed = edits.has(row.number) ? worth.get(row.number) : undefined;
                if (changed?.trouble) {
                    return (
                        <span className="font-semibold text-broken" title={changed.trouble}>
                            ?<span className="sr-only"> {changed.trouble}</span>
                        </span>
                    );
                }
                const { value, currency } = changed ?? row;
                const isOther = changed !== undefined && (value !== row.value || currency !== row.currency);
                return (
                    <>
                        {value && (isOther ? <strong className="text-draft">{qty(value)}</strong> : qty(value))}
                        {value && (by !== 'supplier' || currency !== row.currency) && <span className="text-mute"> {currency}</span>}
                    </>
                );
            },
        },
    ];
    return (
        <DataTable
            name="proposals"
            label={t('Proposals')}
            columns={columns}
            groups={groups.map((group) => ({
                key: group.key,
                label: (
                    <>
                        {group.title}{' '}
                        <span className="ml-1 font-normal text-mute">
                            {group.note}
                            {group.value && group.currency && `, ${t('in :currency', { currency: group.currency })}`}
                        </span>
                    </>
                ),
                value: group.value === null ? undefined : qty(group.value),
                rows: group.rows,
                count: group.count,
            }))}
            keyOf={(row) => String(row.number)}
            total={total}
            more={more}
            order={order}
            open={open === null ? null : String(open)}
            narrow={open !== null}
            onOpen={(row) => onOpen(row.number)}
            onKey={(event) =>
                event.key === 'Enter' &&
                event.target === event.currentTarget &&
                event.currentTarget.querySelector<HTMLInputElement>('input[inputmode]')?.focus()
            }
            ticks={{
                picked: (row) => picked.has(row.number),
                may: mayConvert,
                label: (row) => t('Pick proposal :number, :item', { number: row.number, item: row.item }),
                group: (group) => t('All of :group', { group: groups.find((one) => one.key === group.key)?.title ?? '' }),
                onPick: (rows, on) =>
                    onPick(
                        rows.map((row) => row.number),
                        on,
                    ),
            }}
        />
    );
}

/** The proposed quantity, to be typed over. What was typed is marked, with the old figure beside it; emptying or Esc brings that back. */
function QuantityCell({ row, edit, may, onEdit }: { row: ProposalRow; edit: Edit | undefined; may: boolean; onEdit: Props['onEdit'] }) {
    if (!may) {
        return (
            <>
                {qty(row.qty, row.decimals)} <span className="text-mute">{row.unit}</span>
            </>
        );
    }
    const typed = edit?.qty;
    return (
        <span className="inline-flex items-center gap-1">
            {typed !== undefined && <s className="text-mute">{qty(row.qty, row.decimals)}</s>}
            <input
                inputMode="decimal"
                tabIndex={-1}
                aria-label={t('Quantity of :item', { item: row.item })}
                value={swapped(typed ?? row.qty)}
                onClick={(event) => event.stopPropagation()}
                onFocus={(event) => event.target.select()}
                onChange={(event) => {
                    const text = swapped(event.target.value);
                    onEdit(row.number, { qty: text === row.qty ? undefined : text });
                }}
                onBlur={(event) => event.target.value.trim() === '' && onEdit(row.number, { qty: undefined })}
                onKeyDown={(event) => {
                    if (event.key === 'Escape' || event.key === 'Enter') {
                        if (event.key === 'Escape') {
                            onEdit(row.number, { qty: undefined });
                        }
                        event.stopPropagation();
                        event.currentTarget.closest<HTMLElement>('[data-row]')?.focus();
                    }
                }}
                className={`h-6 rounded-xs border px-1 text-right ${typed === undefined ? 'w-14 border-transparent bg-transparent hover:border-line' : 'w-12 border-draft bg-draft-tint font-semibold'}`}
            />
            <span className="text-mute">{row.unit}</span>
        </span>
    );
}

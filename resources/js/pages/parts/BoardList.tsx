import { type DataColumn, DataTable } from '@/components/DataTable';
import { qty } from '@/lib/format';
import type { BoardBar, BoardTable } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { clockOf } from '@/pages/parts/BoardCanvas';

interface Props {
    table: BoardTable;
    /** Orders that are meant; null for all. */
    bright: Set<string> | null;
    picked: string | null;
    onPick: (place: number) => void;
}

interface Row {
    place: number;
    bar: BoardBar;
}

/** The board as a list: every operation in the order of its start, for those who read rather than look. */
export function BoardList({ table, bright, picked, onPick }: Props) {
    const { plan } = useShared();
    const orderOf = (row: Row) => table.orders[row.bar.order];
    const rows = table.bars
        .map((bar, place): Row => ({ place, bar }))
        .filter((row) => bright === null || bright.has(orderOf(row)?.of ?? ''));
    const columns: DataColumn<Row>[] = [
        {
            id: 'centre',
            head: t('Centre'),
            width: '110px',
            look: 'font-semibold',
            sort: (row) => table.centres[row.bar.centre]?.code ?? '',
            cell: (row) => `${table.centres[row.bar.centre]?.code ?? ''} ${row.bar.units.join(', ')}`,
        },
        {
            id: 'order',
            head: t('Order'),
            width: '96px',
            sort: (row) => orderOf(row)?.label ?? '',
            cell: (row) => `${orderOf(row)?.label ?? ''} / ${row.bar.op}`,
        },
        {
            id: 'item',
            head: t('Item'),
            sort: (row) => orderOf(row)?.item ?? '',
            title: (row) => orderOf(row)?.name ?? '',
            cell: (row) => (
                <>
                    <strong>{orderOf(row)?.item}</strong> {qty(orderOf(row)?.qty ?? '')} {orderOf(row)?.unit}
                </>
            ),
        },
        {
            id: 'start',
            head: t('Start'),
            width: '128px',
            sort: (row) => row.bar.start,
            cell: (row) => clockOf(plan.planDate, row.bar.start),
        },
        { id: 'end', head: t('End'), width: '128px', sort: (row) => row.bar.end, cell: (row) => clockOf(plan.planDate, row.bar.end) },
        {
            id: 'way',
            head: t('To the customer'),
            width: '26%',
            sort: (row) => orderOf(row)?.late ?? 0,
            cell: (row) => orderOf(row)?.way ?? '',
            cellLook: (row) => ((orderOf(row)?.late ?? 0) > 0 ? 'font-semibold text-broken' : 'text-mute'),
        },
    ];
    return (
        <div className="min-h-0 flex-1 overflow-y-auto pt-3">
            <DataTable
                name="board"
                label={t('Operations on the board')}
                columns={columns}
                rows={rows}
                keyOf={(row) => (row ? String(row.place) : '')}
                open={rows.find((row) => orderOf(row)?.of === picked)?.place.toString() ?? null}
                onOpen={(row) => onPick(row.place)}
            />
        </div>
    );
}

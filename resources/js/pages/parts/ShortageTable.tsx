import { CoverStrip } from '@/components/CoverStrip';
import { type DataColumn, type DataGroup, DataTable } from '@/components/DataTable';
import { day, qty } from '@/lib/format';
import type { NeedState, ShortageRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';

interface TableProps {
    groups: DataGroup<ShortageRow>[];
    by: string;
    today: string;
    open: string | null;
    narrow: boolean;
    loading: boolean;
    total: number;
    more: (() => void) | null;
    onOpen: (identity: string) => void;
}

/** The needs under their headings, page by page. */
export function ShortageTable({ groups, by, today, open, narrow, loading, total, more, onOpen }: TableProps) {
    const columns: DataColumn<ShortageRow>[] = [
        {
            id: 'item',
            head: t('Component'),
            title: (row) => `${row.item} ${row.name}`,
            cell: (row) => (
                <>
                    <strong>{row.item}</strong> <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        {
            id: 'for',
            head: t('For'),
            width: narrow ? '118px' : '15%',
            title: (row) => row.consumer.label,
            cell: (row) => row.consumer.label,
        },
        {
            id: 'short',
            head: t('Short'),
            width: narrow ? '96px' : '112px',
            right: true,
            cell: (row) => (
                <>
                    <strong>{qty(row.short)}</strong>{' '}
                    <span className="text-mute">
                        / {qty(row.qty)} {row.unit}
                    </span>
                </>
            ),
        },
        {
            id: 'cover',
            head: t('Cover'),
            width: narrow ? '84px' : '104px',
            look: 'pl-3',
            cell: (row) => <CoverStrip strip={row.strip} width={narrow ? 64 : 84} />,
        },
        ...(by === 'day'
            ? []
            : [{ id: 'needed', head: t('Needed'), width: '88px', right: true, cell: (row: ShortageRow) => day(row.date, today) }]),
        {
            id: 'because',
            head: t('Because'),
            width: narrow ? '248px' : '32%',
            look: 'pl-3',
            title: (row) => row.accepted ?? row.because,
            cellLook: (row) => (row.accepted ? '' : (BECAUSE[row.state] ?? 'text-mute')),
            cell: (row) => (row.accepted ? t('accepted: :reason', { reason: row.accepted }) : row.because),
        },
        {
            id: 'hits',
            head: t('Hits'),
            width: '12%',
            wide: true,
            title: (row) => row.hits.join(', '),
            cell: (row) => (row.hits.length > 1 ? tn(':n customer', ':n customers', row.hits.length) : row.hits[0]),
        },
    ];
    return (
        <DataTable
            name="shortages"
            label={t('Shortages')}
            columns={columns}
            groups={groups}
            keyOf={(row) => row.identity}
            open={open}
            onOpen={(row) => onOpen(row.identity)}
            narrow={narrow}
            busy={loading}
            total={total}
            more={more}
            rowLook={(row) => (row.accepted ? 'text-mute' : '')}
        />
    );
}

const BECAUSE: Partial<Record<NeedState, string>> = { waiting: 'font-semibold text-broken', passed: 'font-semibold text-look-ink' };

import { Link } from '@inertiajs/react';
import { ChartGantt } from 'lucide-react';
import { CoverStrip } from '@/components/CoverStrip';
import { Empty } from '@/components/Empty';
import { GoOn } from '@/components/GoOn';
import { PageHead } from '@/components/PageHead';
import { PillTabs } from '@/components/Pill';
import { day, qty } from '@/lib/format';
import type { PeggingPage, PegRow } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { itemHref } from '@/pages/parts/ItemPanel';
import { PEG_WAYS } from '@/lib/words';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { MaybeLink } from '@/components/MaybeLink';

/** Rows by which it goes on. */
const STEP = 600;

export default function Pegging({ title, about, holdUp, lateDays, back, ways, rows, most, filter }: PeggingPage) {
    const up = filter.way === 'up';
    return (
        <>
            <PageHead title={t('Pegging of :what', { what: title })}>{about}</PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Which way')}
                    value={filter.way ?? 'down'}
                    onChange={(way) => refilter('/pegging', filter, { way }, { way: 'down' })}
                    choices={ways.map((way) => ({ value: way, label: t(PEG_WAYS[way]) }))}
                />
                <Link
                    href={`/thread?${new URLSearchParams(filter).toString()}`}
                    className="inline-flex h-[27px] items-center gap-1.5 rounded-full border border-line bg-surface px-3 text-sm font-semibold hover:border-mute"
                >
                    {t('On a time axis')} <ChartGantt size={13} aria-hidden />
                </Link>
                <Link href={back} className="ml-auto font-semibold text-act hover:underline">
                    {t('Back to :what', { what: title })}
                </Link>
            </div>
            {lateDays > 0 && (
                <p className="mb-2.5 rounded border border-broken bg-broken-tint px-3 py-2">
                    <strong>{tn('Expected 1 day late.', 'Expected :n days late.', lateDays)}</strong> {holdUp}
                </p>
            )}
            {rows.length === 0 ? (
                <Empty title={up ? t('Nobody needs it') : t('It waits for nothing')}>
                    {up ? t('No demand is pegged to it.') : t('It is bought, or all it needs has been issued.')}
                </Empty>
            ) : (
                <Rows rows={rows} up={up} />
            )}
            {rows.length >= most && (
                <GoOn shown={most} onGoOn={() => refilter('/pegging', filter, { rows: String(most + STEP) }, { way: 'down' })} />
            )}
        </>
    );
}

/** Each need under what it belongs to; the chain that decides the date is drawn strong. */
function Rows({ rows, up }: { rows: PegRow[]; up: boolean }) {
    const { plan } = useShared();
    const columns: DataColumn<PegRow>[] = [
        {
            id: 'item',
            head: up ? t('Serves') : t('Needs'),
            title: (row) => `${row.item} ${row.name}, ${row.site}`,
            cellLook: (row) => `border-l-[3px] ${row.holdUp ? 'border-broken' : 'border-transparent'}`,
            cell: (row) => (
                <span style={{ paddingLeft: Math.min(row.level, 14) * 14 }}>
                    <Link href={itemHref(row.item, row.site)} className="font-bold hover:underline">
                        {row.item}
                    </Link>{' '}
                    <span className="text-mute">{row.name}</span>
                    {row.repeated && <span className="ml-1 text-xs text-mute">({t('see above')})</span>}
                </span>
            ),
        },
        { id: 'for', head: t('For'), width: '22%', title: (row) => row.what.label, cell: (row) => <MaybeLink to={row.what} /> },
        {
            id: 'qty',
            head: t('Quantity'),
            width: '94px',
            right: true,
            cell: (row) => (
                <>
                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        {
            id: 'needed',
            head: t('Needed'),
            width: '92px',
            right: true,
            cell: (row) => (row.needed ? day(row.needed, plan.planDate) : ''),
        },
        ...(up
            ? []
            : [
                  {
                      id: 'cover',
                      head: t('Cover'),
                      width: '104px',
                      look: 'pl-3',
                      cell: (row: PegRow) => row.strip && <CoverStrip strip={row.strip} width={84} />,
                  },
              ]),
        {
            id: 'expected',
            head: t('Expected'),
            width: '92px',
            right: true,
            cell: (row) => (row.expected ? day(row.expected, plan.planDate) : ''),
            cellLook: (row) => (row.lateDays > 0 ? 'font-semibold text-broken' : ''),
        },
        {
            id: 'served',
            head: up ? t('In time') : t('Served by'),
            width: up ? '110px' : '20%',
            look: 'pl-3',
            cell: (row) => (up ? <InTime row={row} /> : <ServedBy row={row} />),
        },
    ];
    const places = new Map(rows.map((row, place) => [row, place]));
    return (
        <DataTable
            name={up ? 'pegging-up' : 'pegging'}
            label={up ? t('Up to customers') : t('Down to raw stock')}
            columns={columns}
            rows={rows}
            keyOf={(row) => String(places.get(row) ?? '')}
            level={(row) => row.level + 1}
            rowLook={(row) => (row.holdUp ? 'font-semibold' : '')}
        />
    );
}

function InTime({ row }: { row: PegRow }) {
    return row.lateDays > 0 ? (
        <span className="font-semibold text-broken">{tn('1 day late', ':n days late', row.lateDays)}</span>
    ) : (
        <span className="text-mute">{t('on time')}</span>
    );
}

function ServedBy({ row }: { row: PegRow }) {
    if (row.servedBy.length === 0) {
        return <span className="text-broken">{t('nothing')}</span>;
    }
    return row.servedBy.map((supply, place) => (
        <span key={place}>
            {place > 0 && ', '}
            <MaybeLink to={supply} />
        </span>
    ));
}

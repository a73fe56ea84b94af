import { Link } from '@inertiajs/react';
import { Loader } from 'lucide-react';
import { useCallback, type ReactNode } from 'react';
import { Empty } from '@/components/Empty';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs } from '@/components/Pill';
import { grouped } from '@/lib/digits';
import { day, moment, qty } from '@/lib/format';
import type {
    ComparePage,
    ComparedFigure,
    ComparedLate,
    ComparedLoad,
    ComparedMessage,
    ComparedProposal,
    ComparedStock,
    ComparedSupply,
    DifferenceKind,
} from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useWatchedRun } from '@/lib/useWatchedRun';
import { itemHref } from '@/pages/parts/ItemPanel';
import { DIFFERENCES, MESSAGE_KINDS, ORDER_KINDS } from '@/lib/words';
import { type DataColumn, DataTable } from '@/components/DataTable';

/** Two plans side by side: the totals, and all that was added, is gone or is changed. */
export default function Compare({
    filter,
    choices,
    running,
    failure,
    figures,
    differences,
    late,
    proposals,
    messages,
    stock,
    loads,
    most,
}: ComparePage) {
    const change = (changes: Record<string, string>) => refilter('/compare', filter, changes, { a: 'live' });
    useWatchedRun(
        running,
        useCallback(() => undefined, []),
    );
    const options = choices.map((choice) => ({
        value: choice.value,
        label: choice.at ? `${choice.label}, ${moment(choice.at)}` : `${choice.label}, ${t('not planned')}`,
    }));
    const none = { value: '', label: t('Choose a plan') };
    const list = filter.list ?? 'late';
    return (
        <>
            <PageHead title={t('Compare')}>{t('What was added, is gone or is changed from the first plan to the second')}</PageHead>
            <div className="mb-3 flex flex-wrap items-center gap-2">
                <PillSelect
                    label={t('First plan')}
                    value={filter.a ?? 'live'}
                    choices={[none, ...options]}
                    onChange={(a) => change({ a })}
                />
                <span aria-hidden>→</span>
                <PillSelect label={t('Second plan')} value={filter.b ?? ''} choices={[none, ...options]} onChange={(b) => change({ b })} />
                <Link href="/studies" className="ml-auto font-semibold text-act hover:underline">
                    {t('All studies')}
                </Link>
            </div>
            {running !== null && (
                <p role="status" className="mb-3 flex items-center gap-2 rounded border border-draft bg-draft-tint px-3 py-2">
                    <Loader size={15} className="animate-spin text-draft" aria-hidden />
                    {t('The study is being planned; what differs stands here in a moment.')}
                </p>
            )}
            {running === null && failure && (
                <p role="alert" className="mb-3 rounded border border-broken bg-broken-tint px-3 py-2">
                    {failure}
                </p>
            )}
            {differences === null ? (
                running === null &&
                !failure && (
                    <Empty title={t('Choose two plans')}>{t('The live plan, one before it, or a study that has been planned.')}</Empty>
                )
            ) : (
                <>
                    <Totals figures={figures} />
                    <div className="mt-3.5 mb-2.5 flex items-center gap-2">
                        <PillTabs
                            label={t('What to compare')}
                            value={list}
                            onChange={(next) => change({ list: next })}
                            choices={[
                                { value: 'late', label: `${t('Late lines')} ${grouped(differences.late)}` },
                                { value: 'proposals', label: `${t('Proposals')} ${grouped(differences.proposals)}` },
                                { value: 'messages', label: `${t('Messages')} ${grouped(differences.messages)}` },
                                { value: 'stock', label: `${t('Stock value')} ${grouped(differences.stock)}` },
                                { value: 'load', label: `${t('Load')} ${grouped(differences.load)}` },
                            ]}
                        />
                    </div>
                    {list === 'late' && <Late rows={late} />}
                    {list === 'proposals' && <Proposals rows={proposals} />}
                    {list === 'messages' && <Messages rows={messages} />}
                    {list === 'stock' && <Stock rows={stock} />}
                    {list === 'load' && <Loads rows={loads} />}
                    {Math.max(late.length, proposals.length, messages.length, stock.length, loads.length) >= most && (
                        <p className="mt-2 text-mute">{t('Up to :n rows of each list are shown.', { n: most })}</p>
                    )}
                </>
            )}
        </>
    );
}

function Totals({ figures }: { figures: ComparedFigure[] }) {
    return (
        <dl className="grid shrink-0 grid-cols-6 overflow-hidden rounded border border-line bg-surface">
            {figures.map((figure) => (
                <div key={figure.label} className="border-l border-soft px-3 py-2 first:border-0">
                    <dt className="truncate text-xs text-mute" title={figure.label}>
                        {figure.label}
                    </dt>
                    <dd className="flex items-baseline gap-1.5">
                        {figure.change && <s className="text-mute">{figure.before}</s>}
                        <span className={`text-lg font-bold ${figure.worse ? 'text-broken' : figure.better ? 'text-act' : ''}`}>
                            {figure.after}
                        </span>
                    </dd>
                    <dd className={`text-xs ${figure.worse ? 'text-broken' : figure.better ? 'text-act' : 'text-mute'}`}>
                        {figure.change ?? t('same')}
                        {figure.better && ` ${t('better')}`}
                        {figure.worse && ` ${t('worse')}`}
                    </dd>
                </div>
            ))}
        </dl>
    );
}

const SIGNS: Record<DifferenceKind, string> = { added: '+', gone: '\u2212', changed: '~' };

function Kind({ kind }: { kind: DifferenceKind }) {
    return (
        <span className="whitespace-nowrap text-mute">
            <span aria-hidden className="mr-1 inline-block w-2 font-bold text-ink">
                {SIGNS[kind]}
            </span>
            {t(DIFFERENCES[kind])}
        </span>
    );
}

interface DifferencesProps<Row> {
    name: string;
    label: string;
    rows: Row[];
    columns: DataColumn<Row>[];
    foot?: ReactNode;
}

/** One list of differences; a row has no name of its own beyond its place. */
function Differences<Row extends object>({ name, label, rows, columns, foot }: DifferencesProps<Row>) {
    if (rows.length === 0) {
        return <Empty title={t('Nothing differs here')} />;
    }
    const places = new Map(rows.map((row, place) => [row, place]));
    return (
        <DataTable
            name={`compare-${name}`}
            label={label}
            columns={columns}
            rows={rows}
            keyOf={(row) => String(places.get(row) ?? '')}
            foot={foot}
        />
    );
}

function kind<Row extends { kind: DifferenceKind }>(): DataColumn<Row> {
    return {
        id: 'kind',
        head: '',
        about: t('What differs'),
        width: '96px',
        sort: (row) => row.kind,
        cell: (row) => <Kind kind={row.kind} />,
    };
}

function item<Row extends { item: string; site: string }>(note: (row: Row) => string): DataColumn<Row> {
    return {
        id: 'item',
        head: t('Item'),
        sort: (row) => row.item,
        cell: (row) => (
            <>
                <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                    {row.item}
                </Link>{' '}
                <span className="text-mute">{note(row)}</span>
            </>
        ),
    };
}

function Late({ rows }: { rows: ComparedLate[] }) {
    const { plan } = useShared();
    const date = (iso: string | null) => (iso ? day(iso, plan.planDate) : t('on time'));
    const columns: DataColumn<ComparedLate>[] = [
        {
            id: 'line',
            head: t('Sales line'),
            width: '120px',
            sort: (row) => `${row.order}/${row.line}`,
            cell: (row) => (
                <Link href={`/demand?${new URLSearchParams({ q: row.order }).toString()}`} className="font-semibold hover:underline">
                    {row.order}/{row.line}
                </Link>
            ),
        },
        { id: 'customer', head: t('Customer'), width: '17%', sort: (row) => row.customer, cell: (row) => row.customer },
        {
            id: 'item',
            head: t('Item'),
            width: '15%',
            sort: (row) => row.item,
            cell: (row) => (
                <>
                    {qty(row.qty)} <span className="text-mute">{row.unit}</span> <strong>{row.item}</strong>
                </>
            ),
        },
        { id: 'due', head: t('Due'), width: '88px', right: true, sort: (row) => row.due, cell: (row) => day(row.due, plan.planDate) },
        { id: 'before', head: t('Before'), width: '96px', right: true, look: 'text-mute', cell: (row) => date(row.before) },
        {
            id: 'after',
            head: t('After'),
            width: '96px',
            right: true,
            look: 'font-semibold',
            cell: (row) => date(row.after),
            cellLook: (row) => (row.daysAfter === 0 ? 'text-act' : ''),
        },
        {
            id: 'days',
            head: t('Days late'),
            width: '110px',
            right: true,
            look: 'font-semibold',
            sort: (row) => row.daysAfter - row.daysBefore,
            cell: (row) => `${row.daysBefore} → ${row.daysAfter}`,
            cellLook: (row) => (row.daysAfter > row.daysBefore ? 'text-broken' : row.daysAfter < row.daysBefore ? 'text-act' : 'text-mute'),
        },
        {
            id: 'why',
            head: t('Waits for'),
            look: 'pl-4 text-mute',
            title: (row) => row.why,
            cell: (row) => (row.after ? row.why : t('no longer: :why', { why: row.why })),
        },
    ];
    return <Differences name="late" label={t('Late lines')} rows={rows} columns={columns} />;
}

function Proposals({ rows }: { rows: ComparedProposal[] }) {
    const columns: DataColumn<ComparedProposal>[] = [
        kind(),
        item((row) => row.name),
        { id: 'supply', head: t('Kind'), width: '88px', sort: (row) => row.supply, cell: (row) => t(ORDER_KINDS[row.supply]) },
        { id: 'site', head: t('Site'), width: '52px', look: 'text-mute', sort: (row) => row.site, cell: (row) => row.site },
        {
            id: 'before',
            head: t('Before'),
            width: '27%',
            cell: (row) => <Supply supply={row.before} other={row.after} unit={row.unit} old />,
        },
        { id: 'after', head: t('After'), width: '27%', cell: (row) => <Supply supply={row.after} other={row.before} unit={row.unit} /> },
    ];
    return <Differences name="proposals" label={t('Proposals')} rows={rows} columns={columns} />;
}

/** A proposal in one of the plans; what differs from the other stands out. */
function Supply({
    supply,
    other,
    unit,
    old = false,
}: {
    supply: ComparedSupply | null;
    other: ComparedSupply | null;
    unit: string;
    old?: boolean;
}) {
    const { plan } = useShared();
    if (!supply) {
        return <span className="text-faint">·</span>;
    }
    const part = (text: string, differs: boolean) => <span className={differs && !old ? 'font-semibold text-draft' : ''}>{text}</span>;
    return (
        <span className={`block truncate ${old ? 'text-mute' : ''}`}>
            {part(`${qty(supply.qty)} ${unit}`, other !== null && other.qty !== supply.qty)}{' '}
            {part(t('for :day', { day: day(supply.due, plan.planDate) }), other !== null && other.due !== supply.due)}
            {supply.expected !== supply.due && (
                <>
                    {', '}
                    {part(
                        t('there :day', { day: day(supply.expected, plan.planDate) }),
                        other !== null && other.expected !== supply.expected,
                    )}
                </>
            )}
            {other !== null && other.supplier !== supply.supplier && <> {part(supply.supplier ?? t('no supplier'), true)}</>}
        </span>
    );
}

function Messages({ rows }: { rows: ComparedMessage[] }) {
    const columns: DataColumn<ComparedMessage>[] = [
        kind(),
        { id: 'code', head: t('Message'), width: '150px', sort: (row) => row.code, cell: (row) => t(MESSAGE_KINDS[row.code]) },
        { id: 'about', head: t('About'), width: '124px', sort: (row) => row.about, title: (row) => row.about, cell: (row) => row.about },
        item((row) => row.site),
        { id: 'before', head: t('Before'), width: '26%', look: 'text-mute', title: (row) => row.before, cell: (row) => row.before },
        { id: 'after', head: t('After'), width: '26%', title: (row) => row.after, cell: (row) => row.after },
    ];
    return <Differences name="messages" label={t('Messages')} rows={rows} columns={columns} />;
}

function Stock({ rows }: { rows: ComparedStock[] }) {
    const columns: DataColumn<ComparedStock>[] = [
        item((row) => row.name),
        { id: 'site', head: t('Site'), width: '60px', look: 'text-mute', sort: (row) => row.site, cell: (row) => row.site },
        { id: 'before', head: t('Before'), width: '130px', right: true, look: 'text-mute', cell: (row) => row.before },
        { id: 'after', head: t('After'), width: '130px', right: true, cell: (row) => row.after },
        { id: 'change', head: t('Difference'), width: '130px', right: true, look: 'font-semibold', cell: (row) => row.change },
    ];
    return (
        <Differences
            name="stock"
            label={t('Stock value')}
            rows={rows}
            columns={columns}
            foot={tn('Average value of the projected stock of 1 item', 'Average value of the projected stock of :n items', rows.length)}
        />
    );
}

/** "133 %", or what is to do where nothing can be done. */
function full(percent: number | null, hours: string): string {
    return percent === null ? t(':n h', { n: hours }) : `${grouped(percent)} %`;
}

function Loads({ rows }: { rows: ComparedLoad[] }) {
    const columns: DataColumn<ComparedLoad>[] = [
        {
            id: 'centre',
            head: t('Work centre'),
            width: '110px',
            look: 'font-semibold',
            sort: (row) => row.centre,
            cell: (row) => row.centre,
        },
        { id: 'name', head: t('Name'), sort: (row) => row.name, cell: (row) => row.name },
        { id: 'week', head: t('Week'), width: '110px', sort: (row) => row.week, cell: (row) => day(row.week) },
        {
            id: 'before',
            head: t('Before'),
            width: '100px',
            right: true,
            look: 'text-mute',
            sort: (row) => row.percentBefore ?? 0,
            cell: (row) => full(row.percentBefore, row.hoursBefore),
        },
        {
            id: 'after',
            head: t('After'),
            width: '100px',
            right: true,
            sort: (row) => row.percentAfter ?? 0,
            cell: (row) => full(row.percentAfter, row.hoursAfter),
            cellLook: (row) => (row.worse ? 'font-semibold text-broken' : row.better ? 'font-semibold text-act' : ''),
        },
        { id: 'change', head: t('Difference'), width: '110px', right: true, cell: (row) => t(':n h', { n: row.change }) },
    ];
    return (
        <Differences
            name="load"
            label={t('Load')}
            rows={rows}
            columns={columns}
            foot={tn('1 week of a work centre', ':n weeks of work centres', rows.length)}
        />
    );
}

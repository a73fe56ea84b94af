import { Link } from '@inertiajs/react';
import { Loader } from 'lucide-react';
import { useCallback, type ReactNode } from 'react';
import { Empty } from '@/components/Empty';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs } from '@/components/Pill';
import { day, moment, qty } from '@/lib/format';
import type { ComparedFigure, ComparedLate, ComparedMessage, ComparedProposal, ComparedStock, ComparedSupply } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { moveAmongRows } from '@/lib/useRowKeys';
import { useWatchedRun } from '@/lib/useWatchedRun';
import { itemHref } from '@/pages/parts/ItemPanel';
import { MESSAGE_KINDS, SUPPLY_KINDS } from '@/pages/parts/words';

interface Props {
    filter: Record<string, string>;
    choices: { value: string; label: string; at: string | null }[];
    running: number | null;
    trouble: string | null;
    figures: ComparedFigure[];
    differences: { late: number; proposals: number; messages: number; stock: number } | null;
    late: ComparedLate[];
    proposals: ComparedProposal[];
    messages: ComparedMessage[];
    stock: ComparedStock[];
    most: number;
}

/** Two plans side by side: the totals, and all that was added, is gone or is changed. */
export default function Compare({
    filter,
    choices,
    running,
    trouble,
    figures,
    differences,
    late,
    proposals,
    messages,
    stock,
    most,
}: Props) {
    const change = (changes: Record<string, string>) => refilter('/compare', filter, changes, { list: 'late', a: 'live' });
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
            {running === null && trouble && (
                <p role="alert" className="mb-3 rounded border border-broken bg-broken-tint px-3 py-2">
                    {trouble}
                </p>
            )}
            {differences === null ? (
                running === null &&
                !trouble && (
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
                                { value: 'late', label: `${t('Late lines')} ${differences.late}` },
                                { value: 'proposals', label: `${t('Proposals')} ${differences.proposals}` },
                                { value: 'messages', label: `${t('Messages')} ${differences.messages}` },
                                { value: 'stock', label: `${t('Stock value')} ${differences.stock}` },
                            ]}
                        />
                    </div>
                    {list === 'late' && <Late rows={late} />}
                    {list === 'proposals' && <Proposals rows={proposals} />}
                    {list === 'messages' && <Messages rows={messages} />}
                    {list === 'stock' && <Stock rows={stock} />}
                    {Math.max(late.length, proposals.length, messages.length, stock.length) >= most && (
                        <p className="mt-2 text-mute">{t('Up to {n} rows of each list are shown.', { n: most })}</p>
                    )}
                </>
            )}
        </>
    );
}

function Totals({ figures }: { figures: ComparedFigure[] }) {
    return (
        <dl className="grid grid-cols-7 overflow-hidden rounded border border-line bg-surface">
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

const KINDS: Record<string, string> = { added: 'new', gone: 'gone', changed: 'changed' };
const SIGNS: Record<string, string> = { added: '+', gone: '\u2212', changed: '~' };

function Kind({ kind }: { kind: string }) {
    return (
        <span className="whitespace-nowrap text-mute">
            <span aria-hidden className="mr-1 inline-block w-2 font-bold text-ink">
                {SIGNS[kind]}
            </span>
            {t(KINDS[kind] ?? kind)}
        </span>
    );
}

function Table({ heads, empty, children }: { heads: [string, string][]; empty: boolean; children: ReactNode }) {
    if (empty) {
        return <Empty title={t('Nothing differs here')} />;
    }
    return (
        <div className="rounded border border-line bg-surface">
            <table className="w-full table-fixed text-sm" onKeyDown={moveAmongRows}>
                <thead className="sticky -top-3 z-10 bg-surface">
                    <tr className="border-b border-line text-left text-xs text-mute">
                        {heads.map(([head, look], place) => (
                            <th key={place} scope="col" className={`py-1.5 ${look}`}>
                                {head}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>{children}</tbody>
            </table>
        </div>
    );
}

const ROW = 'h-8 border-b border-soft -outline-offset-2 last:border-0 hover:bg-act-tint/50';

function Late({ rows }: { rows: ComparedLate[] }) {
    const { plan } = useShared();
    const date = (iso: string | null) => (iso ? day(iso, plan.planDate) : t('on time'));
    return (
        <Table
            empty={rows.length === 0}
            heads={[
                [t('Sales line'), 'w-[120px] px-3'],
                [t('Customer'), 'w-[17%]'],
                [t('Item'), 'w-[15%]'],
                [t('Due'), 'w-[84px] text-right'],
                [t('Before'), 'w-[92px] text-right'],
                [t('After'), 'w-[92px] text-right'],
                [t('Days late'), 'w-[110px] text-right'],
                [t('Waits for'), 'px-4'],
            ]}
        >
            {rows.map((row) => (
                <tr key={`${row.order}/${row.line}`} data-row tabIndex={0} className={ROW}>
                    <td className="px-3 whitespace-nowrap">
                        <Link
                            href={`/demand?${new URLSearchParams({ q: row.order }).toString()}`}
                            className="font-semibold hover:underline"
                        >
                            {row.order}/{row.line}
                        </Link>
                    </td>
                    <td className="truncate">{row.customer}</td>
                    <td className="truncate">
                        {qty(row.qty)} <span className="text-mute">{row.unit}</span> <strong>{row.item}</strong>
                    </td>
                    <td className="text-right">{day(row.due, plan.planDate)}</td>
                    <td className="text-right text-mute">{date(row.before)}</td>
                    <td className={`text-right font-semibold ${row.daysAfter === 0 ? 'text-act' : ''}`}>{date(row.after)}</td>
                    <td className={`text-right font-semibold ${row.daysAfter > row.daysBefore ? 'text-broken' : 'text-act'}`}>
                        {row.daysBefore} → {row.daysAfter}
                    </td>
                    <td className="truncate px-4 text-mute" title={row.why}>
                        {row.after ? row.why : t('no longer: {why}', { why: row.why })}
                    </td>
                </tr>
            ))}
        </Table>
    );
}

function Proposals({ rows }: { rows: ComparedProposal[] }) {
    return (
        <Table
            empty={rows.length === 0}
            heads={[
                ['', 'w-[96px] px-3'],
                [t('Item'), ''],
                [t('Kind'), 'w-[84px]'],
                [t('Site'), 'w-[44px]'],
                [t('Before'), 'w-[27%]'],
                [t('After'), 'w-[27%]'],
            ]}
        >
            {rows.map((row, place) => (
                <tr key={place} data-row tabIndex={0} className={ROW}>
                    <td className="px-3">
                        <Kind kind={row.kind} />
                    </td>
                    <td className="truncate pr-2">
                        <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                            {row.item}
                        </Link>{' '}
                        <span className="text-mute">{row.name}</span>
                    </td>
                    <td>{t(SUPPLY_KINDS[row.supply] ?? row.supply)}</td>
                    <td className="text-mute">{row.site}</td>
                    <td>
                        <Supply supply={row.before} other={row.after} unit={row.unit} old />
                    </td>
                    <td>
                        <Supply supply={row.after} other={row.before} unit={row.unit} />
                    </td>
                </tr>
            ))}
        </Table>
    );
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
            {part(t('for {day}', { day: day(supply.due, plan.planDate) }), other !== null && other.due !== supply.due)}
            {supply.expected !== supply.due && (
                <>
                    {', '}
                    {part(
                        t('there {day}', { day: day(supply.expected, plan.planDate) }),
                        other !== null && other.expected !== supply.expected,
                    )}
                </>
            )}
            {other !== null && other.supplier !== supply.supplier && <> {part(supply.supplier ?? t('no supplier'), true)}</>}
        </span>
    );
}

function Messages({ rows }: { rows: ComparedMessage[] }) {
    return (
        <Table
            empty={rows.length === 0}
            heads={[
                ['', 'w-[96px] px-3'],
                [t('Message'), 'w-[150px]'],
                [t('About'), 'w-[120px]'],
                [t('Item'), ''],
                [t('Before'), 'w-[26%]'],
                [t('After'), 'w-[26%]'],
            ]}
        >
            {rows.map((row, place) => (
                <tr key={place} data-row tabIndex={0} className={ROW}>
                    <td className="px-3">
                        <Kind kind={row.kind} />
                    </td>
                    <td>{t(MESSAGE_KINDS[row.code] ?? row.code)}</td>
                    <td className="truncate pr-2">{row.about}</td>
                    <td className="truncate pr-2">
                        <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                            {row.item}
                        </Link>{' '}
                        <span className="text-mute">{row.site}</span>
                    </td>
                    <td className="truncate pr-2 text-mute">{row.before}</td>
                    <td className="truncate">{row.after}</td>
                </tr>
            ))}
        </Table>
    );
}

function Stock({ rows }: { rows: ComparedStock[] }) {
    return (
        <Table
            empty={rows.length === 0}
            heads={[
                [t('Item'), 'px-3'],
                [t('Site'), 'w-[60px]'],
                [t('Before'), 'w-[130px] text-right'],
                [t('After'), 'w-[130px] text-right'],
                [t('Difference'), 'w-[130px] px-3 text-right'],
            ]}
        >
            {rows.map((row) => (
                <tr key={`${row.item} ${row.site}`} data-row tabIndex={0} className={ROW}>
                    <td className="truncate px-3">
                        <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                            {row.item}
                        </Link>{' '}
                        <span className="text-mute">{row.name}</span>
                    </td>
                    <td className="text-mute">{row.site}</td>
                    <td className="text-right text-mute">{row.before}</td>
                    <td className="text-right">{row.after}</td>
                    <td className="px-3 text-right font-semibold">{row.change}</td>
                </tr>
            ))}
            <tr>
                <td colSpan={5} className="px-3 py-1.5 text-xs text-mute">
                    {tn('Average value of the projected stock of 1 item', 'Average value of the projected stock of {n} items', rows.length)}
                </td>
            </tr>
        </Table>
    );
}

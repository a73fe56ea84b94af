import { PointDraft } from '@/pages/parts/DraftForms';
import { Link } from '@inertiajs/react';
import { useMemo, useRef, useState } from 'react';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs } from '@/components/Pill';
import { TouchedNote } from '@/components/DraftMarks';
import { draftedGround, DraftedQuantity } from '@/components/DraftedQuantity';
import { Quantity } from '@/components/Quantity';
import { RecordHistory } from '@/components/RecordHistory';
import { Inspector } from '@/layout/Shell';
import { isZero, period, qty } from '@/lib/format';
import { getJson } from '@/lib/http';
import type { BalanceMark, Explanation, ItemPage, PointDetail, RecordRow } from '@/lib/shapes';
import { refilter } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { pointKey, useDraftedBalances } from '@/lib/useDraftedBalances';
import { useGridKeys } from '@/lib/useGridKeys';
import { AnswerPopover, type AskedAt } from '@/pages/parts/AnswerPopover';
import { AsSwitch } from '@/pages/parts/AsSwitch';
import { Facts, FlowTable, itemHref, Messages, PlanningData, StructureList } from '@/pages/parts/ItemPanel';
import { BlockForm, CountForm, useMayMoveStock } from '@/pages/parts/StockForms';
import { ItemTabs } from '@/pages/parts/ItemTabs';
import { FlowChart } from '@/pages/parts/FlowChart';
import { SUPPLY_WAYS } from '@/lib/words';

export default function Item({ item, detail, plannedAt, filter }: ItemPage) {
    const may = useMayMoveStock();
    const [told, setTold] = useState<string | null>(null);
    if (detail === null) {
        return (
            <>
                <PageHead title={item} />
                <ItemTabs item={item} on="plan" />
                <Empty title={t(':item is not in the live plan', { item })}>
                    {t('Nothing needs it, it has no stock and no open order; or it was outside the last run.')}
                </Empty>
            </>
        );
    }
    const change = (changes: Record<string, string>) =>
        refilter('/item', { item: detail.item, at: detail.site, bucket: filter.bucket ?? '', as: filter.as ?? '' }, changes, {
            bucket: 'week',
            as: 'expected',
        });
    return (
        <>
            <PageHead title={detail.item}>
                {detail.name} · {t(SUPPLY_WAYS[detail.supply])} · {detail.siteName} · {t('level :n', { n: detail.level })}
            </PageHead>
            <ItemTabs item={detail.item} on="plan" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                {plannedAt.length > 1 && (
                    <PillTabs
                        label={t('Site')}
                        value={detail.site}
                        choices={plannedAt.map((site) => ({ value: site, label: site }))}
                        onChange={(at) => change({ at })}
                    />
                )}
                <PillSelect
                    label={t('Periods')}
                    value={filter.bucket ?? 'week'}
                    onChange={(bucket) => change({ bucket })}
                    choices={[
                        { value: 'week', label: t('Weeks') },
                        { value: 'day', label: t('Days') },
                        { value: 'month', label: t('Months') },
                    ]}
                />
                <AsSwitch value={filter.as ?? 'expected'} onChange={(as) => change({ as })} />
                <span className="ml-auto">
                    <ExportLink list="flow" params={{ item: detail.item, at: detail.site, as: filter.as ?? '' }} />
                </span>
                <Link href={`/plan?q=${encodeURIComponent(detail.item)}`} className="font-semibold text-act hover:underline">
                    {t('Among the others')}
                </Link>
            </div>
            <TouchedNote reference={pointKey(detail.item, detail.site)} />
            <Record detail={detail} bucket={filter.bucket ?? 'week'} as={filter.as ?? 'expected'} />
            <section className="mt-4">
                <h2 className="font-bold">{t('Flow')}</h2>
                <div className="rounded border border-line bg-surface px-3 pb-1">
                    <FlowTable flow={detail.flow} decimals={detail.decimals} />
                </div>
            </section>
            <section className="mt-4 grid grid-cols-2 gap-4">
                <div className="rounded border border-line bg-surface px-3 pt-2">
                    <StructureList title={t('Made of')} rows={detail.below} empty={t('It has no structure.')} />
                </div>
                <div className="rounded border border-line bg-surface px-3 pt-2">
                    <StructureList title={t('Goes into')} rows={detail.above} empty={t('It goes into nothing else.')} />
                </div>
            </section>
            <Inspector label={t('About :item', { item: detail.item })}>
                <h2 className="mb-2 text-lg font-bold">{t('At a glance')}</h2>
                <Facts facts={detail.facts} />
                <FlowChart flow={detail.flow} safety={detail.safety} history={detail.history} />
                <Messages messages={detail.messages} />
                <h3 className="mt-4 mb-1 text-xs font-bold text-mute">{t('Planning data')}</h3>
                <PlanningData facts={detail.planning} />
                <PointDraft key={`${detail.item} ${detail.site}`} detail={detail} />
                <p className="mt-2 text-sm">
                    <Link href={`/complete?of=${encodeURIComponent(detail.reference)}`} className="font-semibold text-act hover:underline">
                        {t('When could there be more?')}
                    </Link>
                </p>
                <p className="mt-2 text-sm">
                    <Link
                        href={`/movements?${new URLSearchParams({ item: detail.item }).toString()}`}
                        className="font-semibold text-act hover:underline"
                    >
                        {t('What moved')}
                    </Link>
                </p>
                <StockMarks detail={detail} />
                {may && <BlockForm key={`${detail.stock} ${detail.blocked}`} detail={detail} onDone={setTold} />}
                {may && <CountForm key={`${detail.item} ${detail.site} ${detail.stock}`} detail={detail} onDone={setTold} />}
                {told && (
                    <p role="status" className="mt-2 text-sm font-semibold text-act-dark">
                        {told}
                    </p>
                )}
                <RecordHistory of={[detail.reference, `planning:${detail.item}\x1f${detail.site}`]} />
                {plannedAt.length > 1 && (
                    <p className="mt-3 text-sm text-mute">
                        {t('Also at')}{' '}
                        {plannedAt
                            .filter((site) => site !== detail.site)
                            .map((site) => (
                                <Link key={site} href={itemHref(detail.item, site)} className="mr-2 font-semibold text-act hover:underline">
                                    {site}
                                </Link>
                            ))}
                    </p>
                )}
            </Inspector>
        </>
    );
}

/** What of the stock is not as it should be. */
function StockMarks({ detail }: { detail: PointDetail }) {
    return (
        <>
            {!isZero(detail.blocked) && (
                <p className="mt-3 text-sm font-semibold text-look-ink">
                    {t(':qty :unit are blocked; the plan does not count on them', {
                        qty: qty(detail.blocked, detail.decimals),
                        unit: detail.unit,
                    })}
                </p>
            )}
            {!isZero(detail.owed) && (
                <p className="mt-3 text-sm font-semibold text-broken">
                    {t(':qty :unit were taken beyond what the books had; count it', {
                        qty: qty(detail.owed, detail.decimals),
                        unit: detail.unit,
                    })}
                </p>
            )}
        </>
    );
}

const BALANCE: Partial<Record<BalanceMark, string>> = {
    broken: 'bg-broken-tint text-broken',
    dip: 'bg-broken-tint',
    look: 'bg-look-tint text-look-ink',
};

/** Demand, supply and balance by period. Every figure can be asked: with a click, or with Enter or ? where the focus is. */
function Record({ detail, bucket, as }: { detail: PointDetail; bucket: string; as: string }) {
    const { record, decimals, unit } = detail;
    const asExpected = as === 'expected';
    const key = pointKey(detail.item, detail.site);
    const points = useMemo(() => [key], [key]);
    const drafted = useDraftedBalances(points, { bucket, as })[key];
    const [asked, setAsked] = useState<AskedAt | null>(null);
    const asking = useCommand(
        ({ start }: { start: string; target: HTMLElement }) =>
            getJson<Explanation>('/plan/ask', { item: detail.item, at: detail.site, period: start, bucket, as }),
        (answer, { target }) => setAsked({ answer, back: target }),
    );
    const lines: [string, keyof RecordRow][] = [
        [t('Sales'), 'sales'],
        [t('Forecast left'), 'forecast'],
        [t('For orders'), 'parts'],
        [t('To other sites'), 'out'],
        [asExpected ? t('Open orders in, when expected') : t('Open orders in'), 'receipts'],
        [asExpected ? t('Proposals in, when expected') : t('Proposals in'), 'proposals'],
        [t('Balance'), 'balance'],
        [t('Proposals to start'), 'toStart'],
    ];
    const grid = useRef<HTMLTableElement>(null);
    const keys = useGridKeys(grid, { rows: lines.length, columns: record.length });
    return (
        <div className="shrink-0 overflow-x-auto rounded border border-line bg-surface">
            {asking.trouble && <Notice tone="broken">{asking.trouble}</Notice>}
            <table
                ref={grid}
                role="grid"
                aria-label={t('Record')}
                aria-rowcount={lines.length + 1}
                aria-colcount={record.length + 1}
                className="text-sm"
                onKeyDown={keys.onKeyDown}
                onFocus={keys.onFocus}
            >
                <thead>
                    <tr className="border-b border-line text-xs text-mute">
                        <th scope="col" className="sticky left-0 min-w-[210px] bg-surface px-3 py-1 text-left">
                            {t('in :unit', { unit })}
                        </th>
                        {record.map((cell) => (
                            <th key={cell.start} scope="col" className="min-w-[66px] px-2 text-right whitespace-nowrap">
                                {period(cell.start, bucket)}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {lines.map(([label, field], row) => (
                        <tr
                            key={field}
                            aria-rowindex={row + 2}
                            className={`h-[27px] ${field === 'balance' ? 'border-t border-line font-bold' : ''}`}
                        >
                            <th
                                scope="row"
                                className={`sticky left-0 bg-surface px-3 text-left whitespace-nowrap ${field === 'balance' ? '' : 'font-normal text-mute'}`}
                            >
                                {label}
                            </th>
                            {record.map((cell, column) => (
                                <td
                                    key={cell.start}
                                    tabIndex={-1}
                                    data-cell={`${row}:${column}`}
                                    aria-colindex={column + 2}
                                    onClick={(event) => asking.send({ start: cell.start, target: event.currentTarget })}
                                    onKeyDown={(event) => {
                                        if (event.key === '?' || event.key === 'Enter') {
                                            event.preventDefault();
                                            asking.send({ start: cell.start, target: event.currentTarget });
                                        }
                                    }}
                                    className={`cursor-pointer px-2 text-right whitespace-nowrap -outline-offset-2 ${field === 'balance' ? (draftedGround(drafted?.[cell.start]) ?? BALANCE[cell.mark] ?? '') : ''}`}
                                >
                                    {field === 'balance' ? (
                                        <DraftedQuantity value={cell.balance} drafted={drafted?.[cell.start]} decimals={decimals} />
                                    ) : (
                                        <Quantity value={cell[field]} decimals={decimals} />
                                    )}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
            {asked && <AnswerPopover asked={asked} onClose={() => setAsked(null)} />}
        </div>
    );
}

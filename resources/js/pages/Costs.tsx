import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CodeField } from '@/components/CodeField';
import { swapped } from '@/lib/digits';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { FIELD, Labelled } from '@/components/Labelled';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PanelHead } from '@/components/PanelHead';
import { PillToggle } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { qty } from '@/lib/format';
import type { CostPartRow, CostRow, CostRows, CostsPage } from '@/lib/shapes';
import { refilter } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useMoreRows } from '@/lib/useMoreRows';

/** A cost to the cent; finer only where it is below one. */
function money(value: string): string {
    const [whole = '0', fraction = ''] = value.split('.');
    const isSmall = whole.replace('-', '') === '0' && fraction !== '';
    return isSmall ? qty(value) : qty(Number(value).toFixed(2));
}

const percent = (tenths: number) => `${qty((tenths / 10).toFixed(1))} %`;

/** A figure, and beside it what it was before something was tried. */
function Changed({ before, after }: { before: string | null; after: string }) {
    return before === null ? (
        <>{after}</>
    ) : (
        <span className="whitespace-nowrap">
            <s className="text-mute">{before}</s> <strong className="text-draft">{after}</strong>
        </span>
    );
}

/** What is sold, what it costs in material, what is left of its price; and what another cost of something would do to all of them. */
export default function Costs({ filter, rows: first, total, trial, currency, refusal }: CostsPage) {
    const [open, setOpen] = useState<string | null>(null);
    const change = (changes: Record<string, string>) => refilter('/costs', filter, changes, {});
    const { rows, more, trouble } = useMoreRows('/costs/rows', filter, first, total, (answer: CostRows) => answer.rows);
    const row = rows.find((one) => one.item === open) ?? null;
    const columns: DataColumn<CostRow>[] = [
        {
            id: 'item',
            head: t('Item'),
            cell: (one) => (
                <>
                    <span className="font-bold">{one.item}</span> {one.name}
                </>
            ),
            title: (one) => one.name,
            sort: true,
        },
        {
            id: 'cost',
            head: t('Material'),
            width: '11rem',
            right: true,
            cell: (one) => <Changed before={one.before === null ? null : money(one.before)} after={money(one.cost)} />,
            sort: true,
        },
        {
            id: 'kept',
            head: t('In the data'),
            about: t('What the master data say that one costs'),
            width: '7rem',
            right: true,
            cell: (one) => money(one.kept),
            wide: true,
        },
        {
            id: 'price',
            head: t('Sales price'),
            width: '8rem',
            right: true,
            cell: (one) => (one.price === null ? '' : money(one.price)),
            sort: true,
        },
        {
            id: 'margin',
            head: t('Margin'),
            width: '11rem',
            right: true,
            cell: (one) =>
                one.margin === null ? (
                    ''
                ) : (
                    <Changed before={one.marginBefore === null ? null : money(one.marginBefore)} after={money(one.margin)} />
                ),
            cellLook: (one) => (one.margin?.startsWith('-') ? 'text-broken' : ''),
            sort: true,
        },
        {
            id: 'percent',
            head: t('Margin %'),
            width: '7rem',
            right: true,
            cell: (one) => (one.percent === null ? '' : percent(one.percent)),
            cellLook: (one) => ((one.percent ?? 0) < 0 ? 'font-semibold text-broken' : ''),
            sort: true,
        },
    ];
    return (
        <>
            <PageHead title={t('Costs and margins')}>
                {[
                    t('Material from the bottom of each structure up, and what is left of the price.'),
                    currency && t('In :currency.', { currency }),
                ]
                    .filter(Boolean)
                    .join(' ')}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-end gap-2">
                <TryCost key={`${filter.item} ${filter.to}`} item={filter.item} to={filter.to} onTry={change} />
                <PillToggle on={filter.show === 'all'} onChange={(on) => change({ show: on ? 'all' : '' })}>
                    {t('All items')}
                </PillToggle>
                <FindBox label={t('Find an item')} value={filter.q} onChange={(q) => change({ q })} />
            </div>
            {refusal && <Notice tone="broken">{refusal}</Notice>}
            {trial && <Tried trial={trial} onEnd={() => change({ item: '', to: '' })} />}
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {rows.length === 0 ? (
                <Empty title={t('Nothing here has a sales price')}>
                    {t('Give items a sales price in the data, or look at all items.')}
                </Empty>
            ) : (
                <DataTable
                    name="costs"
                    label={t('Costs and margins')}
                    columns={columns}
                    keyOf={(one) => one.item}
                    rows={rows}
                    total={total}
                    more={more}
                    order={{ by: filter.sort, onChange: (sort) => change({ sort }) }}
                    open={open}
                    narrow={row !== null}
                    onOpen={(one) => setOpen(one.item)}
                />
            )}
            {row && (
                <Inspector label={t('What it is made of')}>
                    <Parts row={row} filter={filter} onClose={() => setOpen(null)} />
                </Inspector>
            )}
        </>
    );
}

function TryCost({ item, to, onTry }: { item: string; to: string; onTry: (changes: Record<string, string>) => void }) {
    const [code, setCode] = useState(item);
    const [cost, setCost] = useState(to);
    const isReady = code.trim() !== '' && cost.trim() !== '';
    return (
        <form
            aria-label={t('Try another cost')}
            className="flex items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                if (isReady) {
                    onTry({ item: code.trim(), to: cost.trim() });
                }
            }}
        >
            <Labelled label={t('If one of')}>
                <CodeField label={t('Item whose cost is tried')} of="items" value={code} onChange={setCode} className="w-36" />
            </Labelled>
            <Labelled label={t('cost')}>
                <input
                    value={swapped(cost)}
                    inputMode="decimal"
                    onChange={(event) => setCost(swapped(event.target.value))}
                    className={`${FIELD} w-24 text-right`}
                />
            </Labelled>
            <Button type="submit" disabled={!isReady}>
                {t('Try it')}
            </Button>
        </form>
    );
}

function Tried({ trial, onEnd }: { trial: NonNullable<CostsPage['trial']>; onEnd: () => void }) {
    const draft = useDraft();
    return (
        <div role="status" className="mb-2.5 flex flex-wrap items-center gap-2 rounded border border-draft bg-draft-tint px-3 py-2">
            <span className="mr-auto">
                <strong>{trial.item}</strong> {trial.name}:{' '}
                {t(':to instead of :before', { to: money(trial.to), before: money(trial.before) })};{' '}
                {tn('1 item costs something else then', ':n items cost something else then', trial.changed)}
            </span>
            {draft.may && (
                <Button
                    look="draft"
                    disabled={draft.busy || trial.change === ''}
                    onClick={() => void draft.add([JSON.parse(trial.change) as { change: string }]).then((done) => done && onEnd())}
                >
                    {t('Draft it')}
                </Button>
            )}
            <Button onClick={onEnd}>{t('Without it')}</Button>
        </div>
    );
}

function Parts({ row, filter, onClose }: { row: CostRow; filter: CostsPage['filter']; onClose: () => void }) {
    const query = new URLSearchParams({ of: row.item, item: filter.item, to: filter.to }).toString();
    const { data, trouble } = useLoaded<CostPartRow[]>(`/costs/parts?${query}`);
    return (
        <>
            <PanelHead title={row.item} href={`/structure?${new URLSearchParams({ item: row.item }).toString()}`} onClose={onClose} />
            <p className="mb-2">
                {row.name}: {t('material :cost', { cost: money(row.cost) })}
            </p>
            {trouble && <p className="text-broken">{trouble}</p>}
            {!row.isRolled && <p className="text-mute">{t('It is bought, or has no components: its cost is that of the data.')}</p>}
            {data && data.length > 0 && (
                <table className="w-full text-sm">
                    <thead>
                        <tr className="border-b border-line text-xs text-mute">
                            <th scope="col" className="py-1 text-left font-semibold">
                                {t('Component')}
                            </th>
                            <th scope="col" className="text-right font-semibold">
                                {t('Quantity')}
                            </th>
                            <th scope="col" className="text-right font-semibold">
                                {t('Cost')}
                            </th>
                            <th scope="col" className="text-right font-semibold">
                                %
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {data.map((part, place) => (
                            <tr key={place} className="border-b border-soft">
                                <th
                                    scope="row"
                                    className="max-w-0 truncate py-0.5 text-left font-normal"
                                    title={part.name}
                                    style={{ width: '50%' }}
                                >
                                    <Link
                                        href={`/costs?${new URLSearchParams({ q: part.component, show: 'all' }).toString()}`}
                                        className="font-semibold text-act hover:underline"
                                    >
                                        {part.component}
                                    </Link>{' '}
                                    {part.name}
                                </th>
                                <td className="text-right whitespace-nowrap">
                                    {qty(part.qty)} {part.unit}
                                </td>
                                <td className="text-right">{money(part.cost)}</td>
                                <td className="text-right text-mute">{qty((part.share / 10).toFixed(1))}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </>
    );
}

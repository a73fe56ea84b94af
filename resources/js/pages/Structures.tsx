import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CodeField } from '@/components/CodeField';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { PageHead } from '@/components/PageHead';
import { PillTabs, PillToggle } from '@/components/Pill';
import { isZero, qty } from '@/lib/format';
import type { ContentRow, StructuresPage } from '@/lib/shapes';
import { refilter } from '@/lib/shared';
import { t, tn } from '@/lib/t';

const structureHref = (item: string) => `/structure?${new URLSearchParams({ item }).toString()}`;
const money = (value: string) => (isZero(value) ? '' : qty(Number(value).toFixed(2)));

/** What goes into two items, side by side, and what that costs. */
export default function Structures({ filter, names, rows, same, costs, currency }: StructuresPage) {
    const [other, setOther] = useState(filter.second);
    const change = (changes: Record<string, string>) => refilter('/structures', filter, changes, {});
    const isChosen = names[1] !== '' || filter.second !== '';
    const quantity = (value: string | null, unit: string) =>
        value === null ? <span className="text-mute">{t('none')}</span> : `${qty(value)} ${unit}`;
    const columns: DataColumn<ContentRow>[] = [
        {
            id: 'component',
            head: t('Component'),
            cell: (row) => (
                <>
                    <Link href={structureHref(row.component)} className="font-bold hover:underline">
                        {row.component}
                    </Link>{' '}
                    {row.name}
                </>
            ),
            title: (row) => row.name,
            sort: (row) => row.component,
        },
        {
            id: 'first',
            head: filter.first,
            width: '9rem',
            right: true,
            cell: (row) => quantity(row.first, row.unit),
            cellLook: (row) => (row.isSame ? 'text-mute' : 'font-semibold'),
        },
        {
            id: 'second',
            head: filter.second,
            width: '9rem',
            right: true,
            cell: (row) => quantity(row.second, row.unit),
            cellLook: (row) => (row.isSame ? 'text-mute' : 'font-semibold'),
        },
        {
            id: 'firstCost',
            head: t('Cost in :item', { item: filter.first }),
            width: '9rem',
            right: true,
            cell: (row) => money(row.firstCost),
            sort: (row) => Number(row.firstCost),
        },
        {
            id: 'secondCost',
            head: t('Cost in :item', { item: filter.second }),
            width: '9rem',
            right: true,
            cell: (row) => money(row.secondCost),
            sort: (row) => Number(row.secondCost),
        },
        {
            id: 'more',
            head: t('More'),
            width: '8rem',
            right: true,
            cell: (row) => money((Number(row.secondCost) - Number(row.firstCost)).toFixed(2)),
            sort: (row) => Number(row.secondCost) - Number(row.firstCost),
        },
    ];
    return (
        <>
            <PageHead title={t('Two structures')}>
                {isChosen
                    ? `${filter.first} ${money(costs[0] ?? '0')}, ${filter.second} ${money(costs[1] ?? '0')} ${currency} \u00b7 ${tn('1 component alike', ':n components alike', same)}`
                    : `${filter.first} ${names[0]}`}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <Link href={structureHref(filter.first)} className="font-semibold text-act hover:underline">
                    {filter.first}
                </Link>
                <form
                    aria-label={t('Compare with another')}
                    className="flex items-center gap-1.5"
                    onSubmit={(event) => {
                        event.preventDefault();
                        change({ second: other.trim() });
                    }}
                >
                    <CodeField
                        label={t('Compare with')}
                        placeholder={t('Compare with')}
                        of="items"
                        value={other}
                        onChange={setOther}
                        autoFocus={!isChosen}
                        className="w-40"
                    />
                    <Button type="submit" disabled={other.trim() === ''}>
                        {t('Compare')}
                    </Button>
                </form>
                <PillTabs
                    label={t('How deep')}
                    value={filter.down}
                    onChange={(down) => change({ down })}
                    choices={[
                        { value: '', label: t('Their components') },
                        { value: '1', label: t('Down to what is bought') },
                    ]}
                />
                <PillToggle on={filter.differ === '1'} onChange={(on) => change({ differ: on ? '1' : '' })}>
                    {t('Only what differs')}
                </PillToggle>
            </div>
            {rows.length === 0 ? (
                <Empty title={names[1] === '' ? t('Compare it with another item') : t('Nothing differs')}>
                    {names[1] === '' && filter.second !== ''
                        ? t('There is no item :item.', { item: filter.second })
                        : names[1] === ''
                          ? t('Type the code of the other one.')
                          : t('As much of everything goes into both.')}
                </Empty>
            ) : (
                <DataTable name="structures" label={t('Two structures')} columns={columns} keyOf={(row) => row.component} rows={rows} />
            )}
        </>
    );
}

import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { PageHead } from '@/components/PageHead';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { day } from '@/lib/format';
import type { JobRow, JobRows, JobsPage } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useMoreRows } from '@/lib/useMoreRows';
import { DataForm } from '@/pages/parts/DataForm';
import { DemandTabs } from '@/pages/parts/DemandTabs';

import { hrefOf, money, stateOf } from '@/pages/parts/jobWords';

/** All jobs, by their first day. */
export function AllJobs({ filter, jobs: first, total, kinds }: JobsPage) {
    const { plan } = useShared();
    const draft = useDraft();
    const [adding, setAdding] = useState(false);
    const { rows, more, trouble } = useMoreRows(
        '/jobs/rows',
        { q: filter.q, sort: filter.sort },
        first,
        total,
        (answer: JobRows) => answer.rows,
    );
    const days = (row: JobRow) => [row.begins, row.ends].map((one) => (one ? day(one, plan.planDate) : '')).join(' – ');
    const columns: DataColumn<JobRow>[] = [
        {
            id: 'job',
            head: t('Job'),
            width: '7rem',
            cell: (row) => (
                <Link href={hrefOf(row.code)} className="font-bold hover:underline">
                    {row.code}
                </Link>
            ),
            sort: true,
        },
        { id: 'name', head: t('Name'), cell: (row) => row.name, sort: true, title: (row) => row.name },
        { id: 'customer', head: t('Customer'), width: '10rem', cell: (row) => row.customer, sort: true, wide: true },
        { id: 'days', head: t('Days'), width: '12rem', cell: (row) => (row.begins ?? row.ends) && days(row), sort: true },
        { id: 'lines', head: t('Lines'), width: '4rem', right: true, cell: (row) => row.lines },
        {
            id: 'open',
            head: t('To approve'),
            width: '6rem',
            right: true,
            cell: (row) => (row.toApprove + row.placeholders === 0 ? '' : row.toApprove + row.placeholders),
        },
        {
            id: 'state',
            head: t('State'),
            width: '15rem',
            look: 'pl-4',
            cell: stateOf,
            cellLook: (row) => (row.late > 0 ? 'font-semibold text-broken' : ''),
        },
        { id: 'estimated', head: t('Estimated'), width: '6rem', right: true, cell: (row) => money(row.estimated) },
        { id: 'committed', head: t('Committed'), width: '6rem', right: true, cell: (row) => money(row.committed), wide: true },
        { id: 'actual', head: t('Actual'), width: '6rem', right: true, cell: (row) => money(row.actual), wide: true },
    ];
    return (
        <>
            <PageHead title={t('Demand')} tab={t('Jobs')}>
                {tn('1 job', ':n jobs', total)}
            </PageHead>
            <DemandTabs on="jobs" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                {draft.may && (
                    <Button className="!h-[27px]" onClick={() => setAdding(true)}>
                        {t('New job')}
                    </Button>
                )}
                <FindBox label={t('Find job, name, customer')} value={filter.q} onChange={(q) => refilter('/jobs', filter, { q }, {})} />
            </div>
            {rows.length === 0 ? (
                <Empty title={filter.q === '' ? t('There is no job yet') : t('No job fits')}>
                    {t('A job is a project for a customer, with all that it needs; what is approved of it is planned.')}
                </Empty>
            ) : (
                <DataTable
                    name="jobs"
                    label={t('Jobs')}
                    columns={columns}
                    keyOf={(row) => row.code}
                    rows={rows}
                    total={total}
                    more={more}
                    order={{ by: filter.sort, onChange: (sort) => refilter('/jobs', filter, { sort }, {}) }}
                    narrow={adding}
                    onOpen={(row) => router.visit(hrefOf(row.code))}
                />
            )}
            {trouble && <p className="mt-2 text-broken">{trouble}</p>}
            {adding && (
                <Inspector label={t('New job')}>
                    <DataForm kind={kinds.jobs} row={null} like={null} onClose={() => setAdding(false)} onCopy={() => undefined} />
                </Inspector>
            )}
        </>
    );
}

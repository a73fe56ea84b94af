import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CoverStrip } from '@/components/CoverStrip';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Empty } from '@/components/Empty';
import { PageHead } from '@/components/PageHead';
import { RecordHistory } from '@/components/RecordHistory';
import { WhatCame } from '@/components/WhatCame';
import { Inspector } from '@/layout/Shell';
import { useDraft } from '@/lib/draft';
import { day, isZero, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { DataRecord, JobDetail, JobLineRow, JobsPage, Posted } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { usePicked } from '@/lib/usePicked';
import { DataForm } from '@/pages/parts/DataForm';
import { DemandTabs } from '@/pages/parts/DemandTabs';
import { JobPanel } from '@/pages/parts/JobPanel';

import { money, stateOf } from '@/pages/parts/jobWords';

/** A row as it would begin, of a kind that has these fields. */
const begins = (values: DataRecord['values']): DataRecord => ({ identity: [], record: '', values });

type Opened = { what: 'line' | 'job' | 'new line' | 'new activity' | 'activity'; key: string; like?: DataRecord };

/** What a job needs, activity by activity. */
export function OneJob({ detail, kinds, currency }: JobsPage & { detail: JobDetail }) {
    const { plan, user } = useShared();
    const draft = useDraft();
    const { job } = detail;
    const [open, setOpen] = useState<Opened | null>(null);
    const { picked, onPick, clear } = usePicked((row: JobLineRow) => row.line);
    const mayApprove = user.can.includes('approve jobs') && plan.study === null;
    const approve = useCommand(
        ({ lines, on }: { lines: string[] | null; on: boolean }) =>
            postJson<Posted>('/jobs/approve', { job: job.code, lines, approve: on, key: freshKey() }),
        () => {
            clear();
            router.reload();
        },
    );
    const lines = detail.activities.flatMap((one) => one.lines);
    const chosen = lines.filter((row) => picked.has(row.line));
    const opened = open?.what === 'line' ? lines.find((row) => row.line === open.key) : undefined;
    const site = lines[0]?.site ?? '';
    const last = Math.max(0, ...lines.map((row) => Number(row.line)).filter(Number.isFinite));
    const blank = (activity: string, due: string | null): DataRecord =>
        begins({ job: job.code, line: String(last + 10), activity, site, due, qty: '1' });
    const columns: DataColumn<JobLineRow>[] = [
        { id: 'line', head: t('Line'), width: '3.5rem', cell: (row) => row.line },
        {
            id: 'item',
            head: t('Item'),
            cell: (row) =>
                row.item === null ? (
                    <em className="text-look-ink">{row.name}</em>
                ) : (
                    <>
                        <span className="font-bold">{row.item}</span> {row.name}
                    </>
                ),
            title: (row) => `${row.item ?? ''} ${row.name}`,
        },
        { id: 'site', head: t('Site'), width: '4.5rem', cell: (row) => row.site, wide: true },
        { id: 'qty', head: t('Quantity'), width: '6.5rem', right: true, cell: (row) => `${qty(row.qty, row.decimals)} ${row.unit}` },
        {
            id: 'issued',
            head: t('Issued'),
            width: '5rem',
            right: true,
            cell: (row) => (isZero(row.issued) ? '' : qty(row.issued, row.decimals)),
        },
        { id: 'due', head: t('Due'), width: '6.5rem', look: 'pl-4', cell: (row) => day(row.due, plan.planDate) },
        {
            id: 'from',
            head: t('Where it comes from'),
            width: '8.5rem',
            cell: (row) =>
                row.strip ? (
                    <CoverStrip strip={row.strip} showDate />
                ) : (
                    <span className={row.approved ? 'text-mute' : 'text-look-ink'}>
                        {row.item === null
                            ? t('placeholder')
                            : !row.approved
                              ? t('not approved')
                              : isZero(row.open)
                                ? t('all issued')
                                : t('not planned yet')}
                    </span>
                ),
        },
        { id: 'estimated', head: t('Estimated'), width: '6rem', right: true, cell: (row) => money(row.estimated) },
        { id: 'committed', head: t('Committed'), width: '6rem', right: true, cell: (row) => money(row.committed), wide: true },
        { id: 'actual', head: t('Actual'), width: '6rem', right: true, cell: (row) => money(row.actual), wide: true },
    ];
    const groups = detail.activities.map((one) => ({
        key: one.activity,
        label: (
            <>
                {one.activity === '' ? t('Of no activity') : one.name}{' '}
                <span className="ml-1 font-normal text-mute">
                    {[one.begins, one.ends].flatMap((iso) => (iso ? [day(iso, plan.planDate)] : [])).join(' – ')}
                </span>
            </>
        ),
        value: draft.may ? (
            <Button
                look="quiet"
                className="!h-6"
                onClick={() => setOpen({ what: 'new line', key: `${one.activity} ${last}`, like: blank(one.activity, one.begins) })}
            >
                {t('Add a line')}
            </Button>
        ) : null,
        rows: one.lines,
    }));
    return (
        <>
            <PageHead title={job.name} tab={job.code}>
                {[
                    job.code,
                    job.customer,
                    t('priority :n', { n: job.priority }),
                    job.begins && t('from :day', { day: day(job.begins, plan.planDate) }),
                    job.ends && t('until :day', { day: day(job.ends, plan.planDate) }),
                ]
                    .filter(Boolean)
                    .join(' \u00b7 ')}
            </PageHead>
            <DemandTabs on="jobs" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <Link href="/jobs" className="font-semibold text-act hover:underline">
                    {t('All jobs')}
                </Link>
                {mayApprove && job.toApprove > 0 && (
                    <Button
                        look="act"
                        className="!h-[27px]"
                        disabled={approve.busy}
                        onClick={() => approve.send({ lines: null, on: true })}
                    >
                        {tn('Approve 1 line', 'Approve all :n lines', job.toApprove)}
                    </Button>
                )}
                {draft.may && (
                    <>
                        <Button
                            className="!h-[27px]"
                            onClick={() => setOpen({ what: 'new line', key: String(last), like: blank('', job.begins) })}
                        >
                            {t('New line')}
                        </Button>
                        <Button
                            className="!h-[27px]"
                            onClick={() => setOpen({ what: 'new activity', key: 'new', like: begins({ job: job.code }) })}
                        >
                            {t('New activity')}
                        </Button>
                        <Button className="!h-[27px]" onClick={() => setOpen({ what: 'job', key: job.code })}>
                            {t('Change the job')}
                        </Button>
                    </>
                )}
                <span className="ml-auto text-sm">
                    {t('Estimated')} <strong>{qty(job.estimated, 2)}</strong> {currency}, {t('committed')}{' '}
                    <strong>{qty(job.committed, 2)}</strong>, {t('actual')} <strong>{qty(job.actual, 2)}</strong>
                    {stateOf(job) !== '' && (
                        <span className={`ml-3 font-semibold ${job.late > 0 ? 'text-broken' : ''}`}>{stateOf(job)}</span>
                    )}
                </span>
            </div>
            <WhatCame of={approve} />
            {chosen.length > 0 && (
                <div
                    role="toolbar"
                    aria-label={t('Picked lines')}
                    className="mb-2.5 flex flex-wrap items-center gap-2 rounded border border-act bg-act-tint px-3 py-2"
                >
                    <strong className="mr-1">{t(':n picked', { n: chosen.length })}</strong>
                    {[true, false].map((on) => {
                        const some = chosen.filter((row) => row.item !== null && row.approved !== on);
                        return (
                            some.length > 0 && (
                                <Button
                                    key={String(on)}
                                    look={on ? 'act' : 'plain'}
                                    disabled={approve.busy}
                                    onClick={() => approve.send({ lines: some.map((row) => row.line), on })}
                                >
                                    {on
                                        ? tn('Approve 1 line', 'Approve :n lines', some.length)
                                        : tn('1 line no longer', ':n lines no longer', some.length)}
                                </Button>
                            )
                        );
                    })}
                </div>
            )}
            {lines.length === 0 && detail.activities.length === 0 ? (
                <Empty title={t('This job needs nothing yet')}>{t('Add activities, and to each what it needs and when.')}</Empty>
            ) : (
                <DataTable
                    name="job-lines"
                    label={t('What the job needs')}
                    columns={columns}
                    keyOf={(row) => row.line}
                    groups={groups}
                    open={opened?.line ?? null}
                    narrow={open !== null}
                    onOpen={(row) => setOpen({ what: 'line', key: row.line })}
                    ticks={
                        mayApprove
                            ? {
                                  picked: (row) => picked.has(row.line),
                                  may: (row) => row.item !== null,
                                  label: (row) => t('Pick line :line', { line: row.line }),
                                  onPick,
                              }
                            : undefined
                    }
                />
            )}
            <RecordHistory of={[job.record]} />
            {open && (
                <Inspector label={t('Job')}>
                    {opened && (
                        <JobPanel
                            key={opened.line}
                            job={job.code}
                            row={opened}
                            kind={kinds.job_lines}
                            mayApprove={mayApprove}
                            busy={approve.busy}
                            onApprove={(on) => approve.send({ lines: [opened.line], on })}
                            onCopy={() => setOpen({ what: 'new line', key: `${opened.line}+`, like: { ...opened.row, identity: [] } })}
                            onClose={() => setOpen(null)}
                        />
                    )}
                    {open.what !== 'line' && (
                        <DataForm
                            key={`${open.what} ${open.key}`}
                            kind={open.what === 'job' ? kinds.jobs : open.what === 'new activity' ? kinds.job_activities : kinds.job_lines}
                            row={open.what === 'job' ? detail.row : null}
                            like={open.like ?? null}
                            onClose={() => setOpen(null)}
                            onCopy={() => undefined}
                        />
                    )}
                </Inspector>
            )}
        </>
    );
}

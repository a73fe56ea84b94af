import { router } from '@inertiajs/react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link } from '@inertiajs/react';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillSelect, PillTabs } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { day } from '@/lib/format';
import { freshKey, postJson, Refusal } from '@/lib/http';
import type { ProposalDetail, ProposalGroup, ProposalRow } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { AbsurdDialog } from '@/pages/parts/AbsurdDialog';
import { ConvertBar } from '@/pages/parts/ConvertBar';
import { ProposalPanel } from '@/pages/parts/ProposalPanel';
import { ProposalTable, type Edit } from '@/pages/parts/ProposalTable';

interface Props {
    run: number | null;
    groups: ProposalGroup[];
    total: number;
    shown: number;
    passed: number;
    today: number;
    until: string | null;
    filter: Record<string, string>;
}

interface Made {
    orders: { code: string; kind: string; title: string; what: string; href: string }[];
    message: string;
}

export const CONVERT: Record<string, string> = { buy: 'convert purchases', make: 'convert production', transfer: 'convert transfers' };

export default function Proposals({ run, groups, total, shown, passed, today, until, filter }: Props) {
    const { plan, user } = useShared();
    const [picked, setPicked] = useState<ReadonlySet<number>>(new Set());
    const [edits, setEdits] = useState<ReadonlyMap<number, Edit>>(new Map());
    const [open, setOpen] = useState<number | null>(filter.open ? Number(filter.open) : null);
    const [key, setKey] = useState(freshKey);
    const [busy, setBusy] = useState(false);
    const [made, setMade] = useState<Made | null>(null);
    const [trouble, setTrouble] = useState<string | null>(null);
    const [absurd, setAbsurd] = useState<string[] | null>(null);
    const change = (changes: Record<string, string>) =>
        refilter('/proposals', { ...filter, open: '' }, changes, { by: 'supplier', until: 'week' });
    const rows = useMemo(() => new Map(groups.flatMap((group) => group.rows).map((row) => [row.number, row])), [groups]);
    const chosen = useMemo(
        () => [...picked].map((number) => rows.get(number)).filter((row): row is ProposalRow => row !== undefined),
        [picked, rows],
    );
    const mayConvert = useCallback(
        (row: ProposalRow) => plan.study === null && user.can.includes(CONVERT[row.kind] ?? ''),
        [user.can, plan.study],
    );
    const { data, trouble: panelTrouble } = useLoaded<ProposalDetail>(open === null ? null : `/proposals/${open}`, plan.id);

    const convert = useCallback(
        (sure: boolean) => {
            if (busy || chosen.length === 0 || run === null) {
                return;
            }
            setBusy(true);
            setAbsurd(null);
            const lines = chosen.map((row) => ({ number: row.number, ...edits.get(row.number) }));
            postJson<Made>('/proposals/convert', { run, key, sure, lines })
                .then((answer) => {
                    setMade(answer);
                    setTrouble(null);
                    setPicked(new Set());
                    setEdits(new Map());
                    setKey(freshKey());
                    router.reload();
                })
                .catch((cause: unknown) => {
                    if (cause instanceof Refusal && cause.reason === 'absurd') {
                        setAbsurd((cause.details.lines as string[] | undefined) ?? []);
                        return;
                    }
                    setMade(null);
                    setTrouble(cause instanceof Refusal ? cause.message : String(cause));
                    if (cause instanceof Refusal && ['converted', 'stale'].includes(cause.reason)) {
                        setPicked(new Set());
                        router.reload();
                    }
                })
                .finally(() => setBusy(false));
        },
        [busy, chosen, run, key, edits],
    );

    useEffect(() => {
        const onKey = (event: globalThis.KeyboardEvent) => {
            const target = event.target as HTMLElement;
            if (
                event.key.toLowerCase() === 'c' &&
                !event.ctrlKey &&
                !event.metaKey &&
                !event.altKey &&
                !target.matches('input:not([type=checkbox]), select, textarea')
            ) {
                event.preventDefault();
                convert(false);
            }
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    }, [convert]);

    const pick = (numbers: number[], on: boolean) => {
        const next = new Set(picked);
        numbers.forEach((number) => (on ? next.add(number) : next.delete(number)));
        setPicked(next);
    };
    const edit = (number: number, changes: Edit) => {
        const merged = { ...edits.get(number), ...changes };
        const kept = Object.fromEntries(Object.entries(merged).filter(([, value]) => value !== undefined)) as Edit;
        const next = new Map(edits);
        if (Object.keys(kept).length === 0) {
            next.delete(number);
        } else {
            next.set(number, kept);
        }
        setEdits(next);
    };

    return (
        <>
            <PageHead title={t('Proposals')}>
                {t('{total} open, {passed} past their date to start, {today} to order or start today', {
                    total: total.toLocaleString('en'),
                    passed,
                    today,
                })}
            </PageHead>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Grouped')}
                    value={filter.by ?? 'supplier'}
                    onChange={(by) => change({ by })}
                    choices={[
                        { value: 'supplier', label: t('By supplier') },
                        { value: 'item', label: t('By item') },
                        { value: 'date', label: t('By date to start') },
                    ]}
                />
                <PillSelect
                    label={t('To start by')}
                    value={filter.until ?? 'week'}
                    onChange={(value) => change({ until: value })}
                    choices={[
                        {
                            value: 'week',
                            label: until && filter.until === 'week' ? t('This week, to {day}', { day: day(until) }) : t('This week'),
                        },
                        { value: 'today', label: t('Today or before') },
                        { value: 'fortnight', label: t('Two weeks') },
                        { value: 'all', label: t('All') },
                    ]}
                />
                <span className="order-last">
                    <ExportLink list="proposals" params={{ q: filter.q ?? '', until: until ?? '' }} />
                </span>
                <FindBox label={t('Find an item')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {made && (
                <Notice tone="done" onClose={() => setMade(null)}>
                    <p className="font-semibold">{made.message}</p>
                    <ul className="text-sm">
                        {made.orders.map((order) => (
                            <li key={order.code}>
                                <Link href={order.href} className="font-semibold text-act hover:underline">
                                    {order.code}
                                </Link>{' '}
                                {order.title}: {order.what}
                            </li>
                        ))}
                    </ul>
                </Notice>
            )}
            {trouble && (
                <Notice tone="broken" onClose={() => setTrouble(null)}>
                    {trouble}
                </Notice>
            )}
            {run === null && (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; what to order will stand here.')}</Empty>
            )}
            {run !== null && groups.length === 0 && (
                <Empty title={t('No proposal is due')}>
                    {total > 0
                        ? t('{n} more start later. Choose a longer time to see them.', { n: total })
                        : t('Everything that is needed is on order.')}
                </Empty>
            )}
            {groups.length > 0 && (
                <ProposalTable
                    groups={groups}
                    by={filter.by ?? 'supplier'}
                    picked={picked}
                    edits={edits}
                    open={open}
                    mayConvert={mayConvert}
                    onPick={pick}
                    onEdit={edit}
                    onOpen={setOpen}
                />
            )}
            {shown > rows.size && (
                <p className="mt-2 text-mute">
                    {t('{n} more are not shown. Narrow the list by time, site or item.', { n: shown - rows.size })}
                </p>
            )}
            {chosen.length > 0 && (
                <ConvertBar rows={chosen} edits={edits} busy={busy} onConvert={() => convert(false)} onClear={() => setPicked(new Set())} />
            )}
            {absurd && <AbsurdDialog lines={absurd} onSure={() => convert(true)} onBack={() => setAbsurd(null)} />}
            {open !== null && (
                <Inspector label={t('Proposal')}>
                    {panelTrouble && <p className="text-mute">{panelTrouble}</p>}
                    {data && (
                        <ProposalPanel
                            detail={data}
                            edit={edits.get(data.row.number)}
                            mayConvert={mayConvert(data.row)}
                            onEdit={(changes) => edit(data.row.number, changes)}
                            onClose={() => setOpen(null)}
                        />
                    )}
                </Inspector>
            )}
            <p className="sr-only" aria-live="polite">
                {chosen.length > 0 ? tn('1 proposal picked', '{n} proposals picked', chosen.length) : ''}
            </p>
        </>
    );
}

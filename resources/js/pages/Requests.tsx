import { router } from '@inertiajs/react';
import { useMemo, useState } from 'react';
import { Empty } from '@/components/Empty';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PillTabs } from '@/components/Pill';
import { SureDialog } from '@/components/SureDialog';
import { Inspector } from '@/layout/Shell';
import { day } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { RequestRow, Bought, RequestsPage, Told } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { type Sentence, t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { usePicked } from '@/lib/usePicked';
import { usePageKeys } from '@/lib/usePageKeys';
import { MadeOrders } from '@/pages/parts/MadeOrders';
import { OrderTabs } from '@/pages/parts/OrderTabs';
import { RequestPanel, type RequestEdit } from '@/pages/parts/RequestPanel';
import { RequestsBar } from '@/pages/parts/RequestsBar';
import { grouped, requestColumns } from '@/pages/parts/requestColumns';
import { DataTable } from '@/components/DataTable';

const MEANT = {
    title: 'Is this meant?',
    note: 'Nothing has been ordered yet.',
    yes: 'Order it so',
} satisfies Record<string, Sentence>;

/** What purchasing is asked for: picked, bundled and ordered, or given back. */
export default function Requests({ list, filter, may, back }: RequestsPage) {
    const { plan } = useShared();
    const { picked, onPick, clear, add } = usePicked((row: RequestRow) => row.code);
    const [edits, setEdits] = useState<ReadonlyMap<string, RequestEdit>>(new Map());
    const [open, setOpen] = useState<string | null>(null);
    const [key, setKey] = useState(freshKey);
    const [into, setInto] = useState('');
    const [absurd, setAbsurd] = useState<string[] | null>(null);
    const change = (changes: Record<string, string>) => refilter('/requests', filter, changes, { by: 'supplier' });
    const by = filter.by ?? 'supplier';
    const groups = useMemo(() => grouped(list.rows, by, plan.planDate), [list.rows, by, plan.planDate]);
    const chosen = list.rows.filter((row) => picked.has(row.code));
    const shown = list.rows.find((row) => row.code === open);

    const after = () => {
        clear();
        setEdits(new Map());
        setInto('');
        setKey(freshKey());
        router.reload();
    };
    const buying = useCommand(
        (sure: boolean) =>
            postJson<Bought>('/requests/buy', {
                lines: chosen.map((row) => ({ line: row.code, ...edits.get(row.code) })),
                into: into === '' ? null : into,
                sure,
                key,
            }),
        after,
        ({ reason, details }) => {
            if (reason === 'absurd') {
                setAbsurd((details.lines as string[] | undefined) ?? []);
                return true;
            }
            if (reason === 'stale') {
                router.reload();
            }
            return false;
        },
    );
    const giving = useCommand(
        (reason: string) => postJson<Told>('/requests/give-back', { lines: chosen.map((row) => row.code), reason, key }),
        after,
    );
    const buy = () => {
        if (chosen.length > 0) {
            giving.clear();
            buying.send(false);
        }
    };
    usePageKeys({ o: buy });
    const edit = (code: string, changes: RequestEdit) => {
        const kept = Object.fromEntries(
            Object.entries({ ...edits.get(code), ...changes }).filter(([, value]) => value !== undefined),
        ) as RequestEdit;
        const next = new Map(edits);
        if (Object.keys(kept).length === 0) {
            next.delete(code);
        } else {
            next.set(code, kept);
        }
        setEdits(next);
        add(code);
    };
    const trouble = buying.trouble ?? giving.trouble;
    return (
        <>
            <PageHead title={t('Requests')}>
                {list.total === 0 ? t('nothing waits for purchasing') : tn('1 waits for purchasing', ':n wait for purchasing', list.total)}
            </PageHead>
            <OrderTabs on="requests" />
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Grouped')}
                    value={by}
                    onChange={(value) => change({ by: value })}
                    choices={[
                        { value: 'supplier', label: t('By supplier') },
                        { value: 'item', label: t('By item') },
                        { value: 'for', label: t('By whom it is for') },
                        { value: 'day', label: t('By day to order') },
                    ]}
                />
                <FindBox label={t('Find item, supplier, request')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {buying.answer && <MadeOrders message={buying.answer.message} orders={buying.answer.orders} onClose={buying.clear} />}
            {giving.answer && (
                <Notice tone="done" onClose={giving.clear}>
                    {giving.answer.message}
                </Notice>
            )}
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {list.rows.length === 0 ? (
                <Empty title={t('Nothing waits for purchasing')}>
                    {t('What planners hand over from the proposals stands here until it is ordered or given back.')}
                </Empty>
            ) : (
                <DataTable
                    name="requests"
                    label={t('Requests')}
                    columns={requestColumns(plan.planDate, by, edits)}
                    groups={groups}
                    keyOf={(row) => row.code}
                    open={open}
                    narrow={open !== null}
                    onOpen={(row) => setOpen(row.code)}
                    ticks={
                        may
                            ? {
                                  picked: (row) => picked.has(row.code),
                                  may: () => true,
                                  label: (row) => t('Pick request :code, :item', { code: row.code, item: row.item }),
                                  group: (group) => t('All of :group', { group: group.key }),
                                  onPick,
                              }
                            : undefined
                    }
                    foot={
                        list.total > list.rows.length && (
                            <span className="text-mute">
                                {t('The first :n of :total; search to see others.', { n: list.rows.length, total: list.total })}
                            </span>
                        )
                    }
                />
            )}
            {back.length > 0 && (
                <section className="mt-4">
                    <h2 className="mb-1 font-bold">{t('Given back to planning')}</h2>
                    <ul className="text-sm">
                        {back.map((one) => (
                            <li key={one.code} className="border-b border-soft py-1">
                                <strong>{one.item}</strong> <span className="text-mute">{one.site}</span> · {one.reason}{' '}
                                <span className="text-mute">
                                    ({one.code}, {one.by}, {day(one.at, plan.planDate)})
                                </span>
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            {chosen.length > 0 && (
                <RequestsBar
                    rows={chosen}
                    edits={edits}
                    into={into}
                    onInto={setInto}
                    busy={buying.busy || giving.busy}
                    onBuy={buy}
                    onGiveBack={(reason) => giving.send(reason)}
                    onClear={clear}
                />
            )}
            {absurd && (
                <SureDialog
                    {...MEANT}
                    lines={absurd}
                    onSure={() => {
                        setAbsurd(null);
                        buying.send(true);
                    }}
                    onBack={() => setAbsurd(null)}
                />
            )}
            {shown && (
                <Inspector label={t('Request')}>
                    <RequestPanel
                        key={shown.code}
                        row={shown}
                        edit={edits.get(shown.code)}
                        may={may}
                        onEdit={(changes) => edit(shown.code, changes)}
                        onClose={() => setOpen(null)}
                    />
                </Inspector>
            )}
        </>
    );
}

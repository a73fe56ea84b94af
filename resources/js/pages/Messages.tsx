import { Link, router } from '@inertiajs/react';
import { useState, type KeyboardEvent } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/Empty';
import { ExportLink } from '@/components/ExportLink';
import { FindBox } from '@/components/FindBox';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { PanelHead } from '@/components/PanelHead';
import { PegList } from '@/components/PegList';
import { PillSelect, PillTabs } from '@/components/Pill';
import { Inspector } from '@/layout/Shell';
import { addDays, day } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { ExplanationPeg, MessagesPage, MessageTask, MessageTasks, Told } from '@/lib/shapes';
import { refilter, useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useLoaded } from '@/lib/useLoaded';
import { useMoreRows } from '@/lib/useMoreRows';
import { itemHref } from '@/pages/parts/ItemPanel';
import { type DataColumn, DataTable, type Order } from '@/components/DataTable';
import { DateField } from '@/components/DateField';
import { useCommand } from '@/lib/useCommand';

interface Answer {
    task: MessageTask;
    state: string;
    until: string | null;
    reason: string;
}

const DEFAULTS = { show: 'open' };

/** What the plan has to say, to be worked through: what puts customers at risk first. */
export default function Messages({ run, live, kinds, tasks: first, total, away, filter }: MessagesPage) {
    const { plan } = useShared();
    const [open, setOpen] = useState<number | null>(null);
    const [done, setDone] = useState<string | null>(null);
    const {
        rows: tasks,
        more,
        trouble: moreTrouble,
    } = useMoreRows('/messages/rows', filter, first, total, (answer: MessageTasks) => answer.rows);
    const change = (changes: Record<string, string>) => refilter('/messages', filter, changes, DEFAULTS);
    const opened = tasks.find((task) => task.n === open);
    const all = kinds.reduce((sum, kind) => sum + kind.count, 0);
    const settle = (sentence: string) => {
        setDone(sentence);
        const at = tasks.findIndex((task) => task.n === open);
        const next = tasks[at + 1] ?? tasks[at - 1];
        router.reload({
            onSuccess: () => {
                setOpen(next?.n ?? null);
                document.querySelector<HTMLElement>(`[data-key="${next?.n ?? ''}"]`)?.focus();
            },
        });
    };
    const answering = useCommand(
        ({ task, ...answer }: Answer) => postJson('/messages/answer', { identity: task.identity, facts: task.facts, ...answer }),
        (_, { task, state }) => settle(state === 'open' ? t('It stands in the list again.') : t('Put away: :text', { text: task.text })),
    );
    const applying = useCommand(
        (task: MessageTask) => postJson<Told>('/messages/apply', { run, n: task.n, key: freshKey() }),
        ({ message }) => settle(message),
    );
    const trouble = answering.trouble ?? applying.trouble;
    const answer = (task: MessageTask, state: string, until: string | null, reason: string) => {
        applying.clear();
        answering.send({ task, state, until, reason });
    };
    const apply = (task: MessageTask) => {
        answering.clear();
        applying.send(task);
    };
    const forget = () => {
        answering.clear();
        applying.clear();
    };
    return (
        <>
            <div className="flex items-start gap-3">
                <PageHead title={t('Messages')}>
                    {tn('1 to work through', ':n to work through', filter.show === 'away' ? all : total)}
                    {`, ${t(':n put away', { n: away })}`}
                </PageHead>
                <span className="ml-auto">
                    <ExportLink list="messages" params={{ kind: filter.kind ?? '', q: filter.q ?? '', show: filter.show ?? '' }} />
                </span>
            </div>
            <div className="mb-2.5 flex flex-wrap items-center gap-2">
                <PillTabs
                    label={t('Which')}
                    value={filter.show ?? 'open'}
                    onChange={(show) => change({ show, kind: '' })}
                    choices={[
                        { value: 'open', label: t('To work through') },
                        { value: 'away', label: t('Put away') },
                    ]}
                />
                <PillSelect
                    label={t('Kind')}
                    value={filter.kind ?? ''}
                    onChange={(kind) => change({ kind })}
                    choices={[
                        { value: '', label: `${t('All kinds')} ${all}` },
                        ...kinds.map((kind) => ({ value: kind.code, label: `${kind.label} ${kind.count}` })),
                    ]}
                />
                <PillSelect
                    label={t('Order')}
                    value={filter.sort ?? ''}
                    onChange={(sort) => change({ sort })}
                    choices={[
                        { value: '', label: t('By what is at risk') },
                        { value: 'from', label: t('By date') },
                    ]}
                />
                <FindBox label={t('Find order, item')} value={filter.q ?? ''} onChange={(q) => change({ q })} />
            </div>
            {done && !trouble && (
                <Notice tone="done" onClose={() => setDone(null)}>
                    {done}
                </Notice>
            )}
            {trouble && (
                <Notice tone="broken" onClose={forget}>
                    {trouble}
                </Notice>
            )}
            {run === null ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : tasks.length === 0 ? (
                <Empty title={filter.show === 'away' ? t('Nothing is put away') : t('Nothing to work through')}>
                    {t('Another kind or site may have more.')}
                </Empty>
            ) : (
                <Table
                    tasks={tasks}
                    total={total}
                    more={more}
                    order={{ by: filter.sort ?? '', onChange: (sort) => change({ sort }) }}
                    today={plan.planDate}
                    open={open}
                    onOpen={setOpen}
                    onApply={live ? apply : null}
                />
            )}
            {moreTrouble && <p className="mt-2 text-broken">{moreTrouble}</p>}
            {opened && (
                <Inspector label={t('Message')}>
                    <TaskPanel key={opened.n} task={opened} onClose={() => setOpen(null)} onAnswer={answer} onApply={live ? apply : null} />
                </Inspector>
            )}
        </>
    );
}

interface TableProps {
    tasks: MessageTask[];
    total: number;
    more: (() => void) | null;
    order: Order;
    today: string;
    open: number | null;
    onOpen: (n: number) => void;
    onApply: ((task: MessageTask) => void) | null;
}

function Table({ tasks, total, more, order, today, open, onOpen, onApply }: TableProps) {
    const onKey = (event: KeyboardEvent<HTMLElement>, task: MessageTask) => {
        if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) {
            return;
        }
        const key = event.key.toLowerCase();
        if (key === 'enter' && task.href) {
            router.visit(task.href);
        } else if (key === 'a' && task.applies && onApply) {
            onApply(task);
        } else if (key === 'd' || key === 's') {
            event.preventDefault();
            onOpen(task.n);
            requestAnimationFrame(() => document.getElementById(key === 'd' ? 'message-done' : 'message-until')?.focus());
        }
    };
    const columns: DataColumn<MessageTask>[] = [
        {
            id: 'kind',
            head: t('Kind'),
            width: '132px',
            sort: true,
            cell: (task) => task.kind,
            cellLook: (task) => `whitespace-nowrap ${task.riskLines > 0 ? 'font-semibold text-broken' : ''}`,
        },
        { id: 'text', head: t('What the plan says'), sort: true, title: (task) => task.text, cell: (task) => task.text },
        {
            id: 'from',
            head: t('From'),
            width: '88px',
            right: true,
            wide: true,
            look: 'text-mute',
            sort: true,
            cell: (task) => (task.from ? day(task.from, today) : ''),
        },
        {
            id: 'to',
            head: t('To'),
            width: '88px',
            right: true,
            wide: true,
            sort: true,
            cell: (task) => (task.to ? day(task.to, today) : ''),
        },
        {
            id: 'lines',
            head: t('Lines late'),
            width: '88px',
            right: true,
            sort: true,
            cell: (task) => (task.riskLines > 0 ? task.riskLines : '·'),
            cellLook: (task) => (task.riskLines > 0 ? 'font-semibold text-broken' : 'text-faint'),
        },
        {
            id: 'value',
            head: t('Value'),
            width: '84px',
            right: true,
            wide: true,
            sort: true,
            cell: (task) => (task.riskLines > 0 ? task.riskValue : <span className="text-faint">·</span>),
        },
        {
            id: 'do',
            head: t('What to do'),
            width: '150px',
            right: true,
            sort: true,
            cell: (task) =>
                task.state ? (
                    <span className="text-mute">{task.until ? t('asleep to :day', { day: day(task.until, today) }) : t('done')}</span>
                ) : (
                    <span className="font-semibold text-act">{task.applies ?? ''}</span>
                ),
        },
    ];
    return (
        <DataTable
            name="messages"
            label={t('Messages')}
            columns={columns}
            rows={tasks}
            total={total}
            more={more}
            order={order}
            keyOf={(task) => String(task.n)}
            open={open === null ? null : String(open)}
            onOpen={(task) => onOpen(task.n)}
            onKey={onKey}
            narrow={open !== null}
        />
    );
}

interface PanelProps {
    task: MessageTask;
    onClose: () => void;
    onAnswer: (task: MessageTask, state: string, until: string | null, reason: string) => void;
    onApply: ((task: MessageTask) => void) | null;
}

function TaskPanel({ task, onClose, onAnswer, onApply }: PanelProps) {
    const { plan } = useShared();
    const { data } = useLoaded<ExplanationPeg[]>(task.riskLines > 0 ? `/messages/${task.n}/risk` : null, plan.id);
    const [until, setUntil] = useState(addDays(plan.planDate, 7));
    const [reason, setReason] = useState('');
    return (
        <>
            <PanelHead title={task.kind} onClose={onClose} />
            <p>{task.text}</p>
            <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
                {task.href && (
                    <Link href={task.href} className="inline-block leading-6 font-semibold text-act hover:underline">
                        {t('Open it')}
                    </Link>
                )}
                <Link href={itemHref(task.item, task.site)} className="inline-block leading-6 font-semibold text-act hover:underline">
                    {task.item} {task.name}
                </Link>
            </p>
            {task.riskLines > 0 && (
                <p>
                    <Link
                        href={`/shortages?${new URLSearchParams({ q: task.item, days: '55' }).toString()}`}
                        className="inline-block leading-6 font-semibold text-act hover:underline"
                    >
                        {t('Ways out')}
                    </Link>
                </p>
            )}
            {task.riskLines > 0 && data && <PegList title={t('Late customers that wait for it')} pegs={data} />}
            {task.riskLines === 0 && <p className="mt-3 text-mute">{t('No customer line is late because of it.')}</p>}
            {task.state ? (
                <div className="mt-4 border-t border-line pt-3">
                    <p>
                        {task.until ? t('Asleep to :day', { day: day(task.until, plan.planDate) }) : t('Done')}
                        {`, ${task.by}`}
                    </p>
                    {task.reason && <p className="text-mute">{task.reason}</p>}
                    <Button className="mt-2" onClick={() => onAnswer(task, 'open', null, '')}>
                        {t('Put it back into the list')}
                    </Button>
                </div>
            ) : (
                <div className="mt-4 border-t border-line pt-3">
                    {task.applies && onApply && (
                        <Button look="act" className="mb-3 w-full justify-center" onClick={() => onApply(task)}>
                            {task.applies}
                            <kbd className="rounded border border-order px-1.5 font-sans text-xs">A</kbd>
                        </Button>
                    )}
                    <label className="block text-xs font-bold text-mute" htmlFor="message-reason">
                        {t('Why it can be put away')}
                    </label>
                    <input
                        id="message-reason"
                        value={reason}
                        maxLength={190}
                        onChange={(event) => setReason(event.target.value)}
                        className="mt-1 h-[30px] w-full rounded border border-line bg-surface px-2"
                    />
                    <div className="mt-2 flex items-center gap-2">
                        <DateField
                            id="message-until"
                            label={t('Sleep until')}
                            value={until}
                            min={addDays(plan.planDate, 1)}
                            onChange={setUntil}
                        />
                        <Button onClick={() => onAnswer(task, 'snoozed', until, reason)}>{t('Sleep until then')}</Button>
                    </div>
                    <Button id="message-done" className="mt-2" onClick={() => onAnswer(task, 'done', null, reason)}>
                        {t('Done')}
                    </Button>
                    <p className="mt-2 text-sm text-mute">{t('It comes back by itself when its facts change.')}</p>
                </div>
            )}
        </>
    );
}

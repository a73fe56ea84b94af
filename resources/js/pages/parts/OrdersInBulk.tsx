import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { BulkBar } from '@/components/BulkBar';
import { Button } from '@/components/Button';
import { DayChange } from '@/components/DayChange';
import { type Change, useDraft } from '@/lib/draft';
import { freshKey, postJson } from '@/lib/http';
import { isZero } from '@/lib/format';
import type { OpenLine, OrderRow, Posted, Told } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useMayBuy } from '@/pages/parts/PurchaseForms';
import { useMayMoveStock } from '@/pages/parts/StockForms';

interface Action {
    label: string;
    /** To which of them it can be done. */
    orders: OrderRow[];
    change: (order: string) => Change;
    /** What it is called as a line of the draft, by how many they are. */
    title: (count: number) => string;
}

interface Props {
    orders: OrderRow[];
    onClear: () => void;
    /** Is told what was written; the orders may be gone from the list then. */
    onTold: (message: string) => void;
}

/**
 * What is done to orders that are picked: each is a line of the draft, so that it says what it does before it is done; what has come is
 * written at once.
 */
export function OrdersInBulk({ orders, onClear, onTold }: Props) {
    const draft = useDraft();
    const [day, setDay] = useState('');
    const made = orders.filter((order) => order.kind === 'make');
    const firm = made.filter((order) => order.status === 'firm');
    const released = made.filter((order) => order.status === 'released');
    const held = made.filter((order) => order.held);
    const free = made.filter((order) => !order.held);
    const onDay = day || null;
    const mayReceive = useMayMoveStock();
    const coming = orders.filter((order) => order.status === 'released' || (order.status === 'firm' && order.kind !== 'transfer'));
    const [key, setKey] = useState(freshKey);
    const receive = useCommand(
        () => postJson<Posted>('/movements/receive-whole', { orders: coming.map((order) => order.code), key }),
        ({ message }) => {
            setKey(freshKey());
            onClear();
            onTold(`${message}.`);
            router.reload();
        },
    );
    const mayBuy = useMayBuy();
    const bought = orders.filter((order) => order.kind === 'buy');
    const toSend = bought.filter((order) => order.stage === 'firm');
    const toConfirm = bought.filter((order) => order.stage === 'sent');
    const partly = orders.filter((order) => order.open.some((line) => !isZero(line.received)));
    const done = (message: string) => {
        setKey(freshKey());
        onClear();
        onTold(message);
        router.reload();
    };
    const send = useCommand(
        async () => {
            let sent = 0;
            for (const order of toSend) {
                await postJson<Told>('/purchases/send', {
                    order: order.code,
                    mail: true,
                    version: order.version,
                    key: `${key.slice(0, 20)}:${order.code}`.slice(0, 64),
                });
                sent++;
            }
            return sent;
        },
        (sent) => done(tn('1 order sent.', ':n orders sent.', sent)),
    );
    const confirm = useCommand(
        () =>
            postJson<Told>('/purchases/confirm', {
                lines: toConfirm.flatMap((order) => order.open.map((line) => ({ line: line.code, qty: line.qty, due: line.due }))),
                key,
            }),
        ({ message }) => done(message),
    );
    const trouble = receive.trouble ?? send.trouble ?? confirm.trouble;
    const actions: Action[] = [
        {
            label: t('Release'),
            orders: firm,
            change: (order) => ({ change: 'release_order', order }),
            title: (n) => tn('1 order released', ':n orders released', n),
        },
        {
            label: t('Back to firm'),
            orders: released,
            change: (order) => ({ change: 'release_order', order, released: false }),
            title: (n) => tn('1 order firm again', ':n orders firm again', n),
        },
        {
            label: t('Hold back'),
            orders: free,
            change: (order) => ({ change: 'hold_order', order, held: true }),
            title: (n) => tn('1 order held back', ':n orders held back', n),
        },
        {
            label: t('Let go'),
            orders: held,
            change: (order) => ({ change: 'hold_order', order, held: false }),
            title: (n) => tn('1 order no longer held back', ':n orders no longer held back', n),
        },
        {
            label: t('Make most urgent'),
            orders: made,
            change: (order) => ({ change: 'prioritise_order', order, priority: 1 }),
            title: (n) => tn('1 order most urgent', ':n orders most urgent', n),
        },
    ];
    const lineChanges = (some: OrderRow[], change: (line: OpenLine) => Change): Change[] => some.flatMap((order) => order.open.map(change));
    const byDay: Action[] = [
        {
            label: t('Start not before'),
            orders: made,
            change: (order) => ({ change: 'start_not_before', order, day: onDay }),
            title: (n) =>
                onDay === null
                    ? tn('1 order may start on any day', ':n orders may start on any day', n)
                    : tn('1 order not before its day', ':n orders not before their day', n),
        },
        {
            label: t('Finish by'),
            orders: made,
            change: (order) => ({ change: 'finish_by', order, day: onDay }),
            title: (n) =>
                onDay === null
                    ? tn('1 order done when due', ':n orders done when due', n)
                    : tn('1 order done by its day', ':n orders done by their day', n),
        },
    ];
    const button = (action: Action) =>
        action.orders.length > 0 && (
            <Button
                key={action.label}
                disabled={draft.busy}
                onClick={() =>
                    void draft.add(
                        action.orders.map((order) => action.change(order.code)),
                        action.title(action.orders.length),
                    )
                }
            >
                {action.label}
            </Button>
        );
    return (
        <BulkBar
            label={t('What is done to the picked orders')}
            picked={tn('1 order picked', ':n orders picked', orders.length)}
            trouble={trouble}
            onClear={onClear}
        >
            {draft.may && actions.map(button)}
            {mayBuy && toSend.length > 0 && (
                <Button disabled={send.busy} onClick={() => send.send(undefined)}>
                    {tn('Send it by mail', 'Send :n by mail', toSend.length)}
                </Button>
            )}
            {mayBuy && toConfirm.length > 0 && (
                <Button disabled={confirm.busy} onClick={() => confirm.send(undefined)}>
                    {tn('Confirmed as asked', ':n confirmed as asked', toConfirm.length)}
                </Button>
            )}
            {draft.may && partly.length > 0 && (
                <Button
                    disabled={draft.busy}
                    onClick={() =>
                        void draft.add(
                            lineChanges(partly, (line) =>
                                isZero(line.received)
                                    ? { change: 'cancel_order', order: line.code }
                                    : { change: 'resize_order', order: line.code, qty: line.received },
                            ),
                            tn('1 order closed with what has come', ':n orders closed with what has come', partly.length),
                        )
                    }
                >
                    {t('Close: no more comes')}
                </Button>
            )}
            {mayReceive && coming.length > 0 && (
                <Button look="act" disabled={receive.busy} onClick={() => receive.send(undefined)}>
                    {tn('Receive all that is open of it', 'Receive all that is open of :n', coming.length)}
                </Button>
            )}
            {draft.may && (
                <DayChange
                    day={day}
                    onDay={setDay}
                    label={t('Move to the day')}
                    busy={draft.busy}
                    onChange={() =>
                        void draft.add(
                            lineChanges(orders, (line) => ({ change: 'move_order', order: line.code, due: onDay })),
                            tn('1 order moved to its day', ':n orders moved to one day', orders.length),
                        )
                    }
                />
            )}
            {draft.may && made.length > 0 && (
                <>
                    {byDay.map(button)}
                    <Link
                        href={`/schedule?orders=${made.map((order) => encodeURIComponent(order.code)).join(',')}`}
                        className="ml-auto font-semibold text-act hover:underline"
                    >
                        {t('Schedule these')}
                    </Link>
                </>
            )}
        </BulkBar>
    );
}

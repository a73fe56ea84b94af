import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Notice } from '@/components/Notice';
import { day, daysBetween, inDays, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { PromiseSubject, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { itemHref } from '@/pages/parts/ItemPanel';

interface Props {
    held: PromiseSubject[];
    total: number;
    may: boolean;
    onDone: (told: Told) => void;
}

/** What is held for customers, with how long it is; accepted or dropped from here. */
export function HeldPromises({ held, total, may, onDone }: Props) {
    const { plan } = useShared();
    const [gone, setGone] = useState<string[]>([]); // until the list comes anew, nothing is done twice
    const done = (told: Told, row: PromiseSubject) => {
        setGone((old) => [...old, row.reference]);
        onDone(told);
    };
    const accept = useCommand(
        (row: PromiseSubject) =>
            postJson<Told>('/promise/accept', {
                lines: [{ item: row.item, site: row.site, qty: row.qty, date: row.due }],
                of: row.reference,
                held: true,
                key: freshKey(),
            }),
        (told, row) => done(told, row),
    );
    const drop = useCommand(
        (row: PromiseSubject) => postJson<Told>('/promise/drop', { reference: row.reference, key: freshKey() }),
        (told, row) => done(told, row),
    );
    const busy = accept.busy || drop.busy;
    const trouble = accept.trouble ?? drop.trouble;
    const columns: DataColumn<PromiseSubject>[] = [
        { id: 'order', head: t('Order'), width: '96px', look: 'font-semibold', cell: (row) => row.label },
        { id: 'customer', head: t('Customer'), width: '22%', title: (row) => row.customer, cell: (row) => row.customer },
        {
            id: 'item',
            head: t('Item'),
            title: (row) => row.name,
            cell: (row) => (
                <>
                    <Link href={itemHref(row.item, row.site)} className="font-semibold hover:underline">
                        {row.item}
                    </Link>{' '}
                    <span className="text-mute">{row.name}</span>
                </>
            ),
        },
        {
            id: 'qty',
            head: t('Quantity'),
            width: '84px',
            right: true,
            cell: (row) => `${qty(row.qty, row.decimals)} ${row.unit}`,
        },
        { id: 'due', head: t('Promised'), width: '92px', right: true, cell: (row) => day(row.due, plan.planDate) },
        {
            id: 'until',
            head: t('Held until'),
            width: '172px',
            look: 'pl-4',
            cell: (row) =>
                row.until === null ? null : row.lapsed ? (
                    <span className="font-semibold text-broken">{t('lapsed :day', { day: day(row.until, plan.planDate) })}</span>
                ) : (
                    <span className={daysBetween(plan.planDate, row.until) <= 1 ? 'font-semibold text-look-ink' : ''}>
                        {day(row.until, plan.planDate)}, {inDays(daysBetween(plan.planDate, row.until))}
                    </span>
                ),
        },
        {
            id: 'act',
            head: '',
            about: t('What to do with it'),
            width: '236px',
            right: true,
            cell: (row) =>
                may && (
                    <span className="inline-flex gap-1.5">
                        {!row.lapsed && (
                            <Button className="!h-6 !px-2 text-sm" disabled={busy} onClick={() => accept.send(row)}>
                                {t('Accept')}
                            </Button>
                        )}
                        <Link
                            href={`/promise?of=${encodeURIComponent(row.reference)}`}
                            className="inline-flex h-6 items-center px-2 text-sm font-semibold text-act hover:underline"
                        >
                            {t('Ask again')}
                        </Link>
                        <Button className="!h-6 !px-2 text-sm" disabled={busy} onClick={() => drop.send(row)}>
                            {t('Drop')}
                        </Button>
                    </span>
                ),
        },
    ];
    return (
        <section aria-label={t('Held for customers')}>
            <h2 className="mb-1.5 font-bold">{t('Held for customers')}</h2>
            {trouble && <Notice tone="broken">{trouble}</Notice>}
            {held.length === 0 ? (
                <p className="text-mute">
                    {t('Nothing is held. An answer can be held until a day; then it counts in every plan until it lapses.')}
                </p>
            ) : (
                <DataTable
                    name="held"
                    label={t('Held for customers')}
                    columns={columns}
                    rows={held.filter((row) => !gone.includes(row.reference))}
                    total={total}
                    keyOf={(row) => row.reference}
                    foot={held.length < total ? t('The first :n of :all', { n: held.length, all: total }) : undefined}
                />
            )}
        </section>
    );
}

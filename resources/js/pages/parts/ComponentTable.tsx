import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { ComponentCover } from '@/components/ComponentCover';
import { type DataColumn, DataTable } from '@/components/DataTable';
import { Quantity } from '@/components/Quantity';
import { day, qty } from '@/lib/format';
import type { ComponentRow, OrderLineRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { ComponentDraft, ComponentMore } from '@/pages/parts/DraftForms';
import { itemHref } from '@/pages/parts/ItemPanel';

/** The components of an order, each with its cover and what can be done about it. */
export function ComponentTable({ line, title }: { line: OrderLineRow; title: string }) {
    const [open, setOpen] = useState<string | null>(null);
    const columns: DataColumn<ComponentRow>[] = [
        { id: 'line', head: t('Line'), width: '70px', look: 'text-mute', cell: (row) => row.line },
        {
            id: 'item',
            head: t('Item'),
            cell: (row) => (
                <>
                    <Link href={itemHref(row.item, '')} className="font-bold hover:underline">
                        {row.item}
                    </Link>{' '}
                    {row.name}
                </>
            ),
        },
        {
            id: 'qty',
            head: t('Needed'),
            width: '110px',
            right: true,
            cell: (row) => (
                <>
                    {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                </>
            ),
        },
        { id: 'issued', head: t('Issued'), width: '84px', right: true, cell: (row) => <Quantity value={row.issued} /> },
        { id: 'on', head: t('On'), width: '92px', right: true, cell: (row) => day(row.need) },
        { id: 'cover', head: t('Cover'), width: '136px', look: 'pl-5', cell: (row) => <ComponentCover row={row} width={100} /> },
        {
            id: 'do',
            head: '',
            about: t('What to do'),
            width: '40px',
            cell: (row) => <ComponentMore row={row} open={open === row.line} onOpen={setOpen} />,
        },
    ];
    return (
        <section className="mt-4">
            <h2 className="mb-1.5 font-bold">{title}</h2>
            <DataTable
                name="components"
                label={title}
                columns={columns}
                rows={line.components}
                keyOf={(row) => row.line}
                detail={(row) => open === row.line && <ComponentDraft row={row} order={line.code} />}
            />
        </section>
    );
}

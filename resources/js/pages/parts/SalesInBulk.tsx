import { router } from '@inertiajs/react';
import { useState } from 'react';
import { BulkBar } from '@/components/BulkBar';
import { Button } from '@/components/Button';
import { DayChange } from '@/components/DayChange';
import { FIELD } from '@/components/Labelled';
import { type Change, useDraft } from '@/lib/draft';
import { freshKey, postJson } from '@/lib/http';
import type { Posted, SalesRow } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { useMayMoveStock } from '@/pages/parts/StockForms';

interface Props {
    rows: SalesRow[];
    onClear: () => void;
    /** Is told what was written; the lines may be gone from the list then. */
    onTold: (message: string) => void;
}

const isOnStock = (row: SalesRow) => row.heldUntil === null && row.strip !== null && row.strip.parts.every((part) => part.kind === 'stock');

/** What is done to sales lines that are picked: what is on stock is shipped at once, the rest is a line of the draft first. */
export function SalesInBulk({ rows, onClear, onTold }: Props) {
    const draft = useDraft();
    const [day, setDay] = useState('');
    const [key, setKey] = useState(freshKey);
    const mayShip = useMayMoveStock();
    const onStock = rows.filter(isOnStock);
    const ship = useCommand(
        () =>
            postJson<Posted>('/movements/ship', {
                lines: onStock.map((row) => ({ order: row.order, line: row.line, qty: row.open })),
                key,
            }),
        ({ message }) => {
            setKey(freshKey());
            onClear();
            onTold(`${message}.`);
            router.reload();
        },
    );
    const change = (fields: Record<string, string | number>): Change[] =>
        rows.map((row) => ({ change: 'change_sales_line', order: row.order, line: row.line, ...fields }));
    return (
        <BulkBar
            label={t('What is done to the picked sales lines')}
            picked={tn('1 sales line picked', ':n sales lines picked', rows.length)}
            trouble={ship.trouble}
            onClear={onClear}
        >
            {mayShip && onStock.length > 0 && (
                <Button look="act" disabled={ship.busy} onClick={() => ship.send(undefined)}>
                    {tn('Ship the one on stock', 'Ship the :n on stock', onStock.length)}
                </Button>
            )}
            {draft.may && (
                <>
                    <DayChange
                        day={day}
                        onDay={setDay}
                        label={t('Try it on that day')}
                        busy={draft.busy}
                        onChange={() =>
                            void draft.add(
                                change({ due: day }),
                                tn('1 sales line moved to its day', ':n sales lines moved to one day', rows.length),
                            )
                        }
                    />
                    <select
                        aria-label={t('Priority of all of them')}
                        value=""
                        disabled={draft.busy}
                        onChange={(event) =>
                            void draft.add(
                                change({ priority: Number(event.target.value) }),
                                tn('1 sales line of another priority', ':n sales lines of another priority', rows.length),
                            )
                        }
                        className={FIELD}
                    >
                        <option value="" disabled>
                            {t('Priority')}
                        </option>
                        {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((one) => (
                            <option key={one} value={one}>
                                {one}
                            </option>
                        ))}
                    </select>
                </>
            )}
        </BulkBar>
    );
}

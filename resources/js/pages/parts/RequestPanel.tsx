import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { Labelled } from '@/components/Labelled';
import { MaybeLink } from '@/components/MaybeLink';
import { NumberField } from '@/components/NumberField';
import { PanelHead } from '@/components/PanelHead';
import { PeggingLink } from '@/components/PeggingLink';
import { addDays, qty } from '@/lib/format';
import { useDraft } from '@/lib/draft';
import { readQuantity } from '@/lib/quantities';
import type { RequestRow } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { itemHref } from '@/pages/parts/ItemPanel';

/** What a buyer decides otherwise than it was asked for. */
export interface RequestEdit {
    qty?: string;
    due?: string;
    price?: string;
    supplier?: string;
}

interface Props {
    row: RequestRow;
    edit: RequestEdit | undefined;
    may: boolean;
    onEdit: (edit: RequestEdit) => void;
    onClose: () => void;
}

const WEEK = 7;

/** A request: whom it is for, who sells it, and what the buyer makes of it. */
export function RequestPanel({ row, edit, may, onEdit, onClose }: Props) {
    const { plan } = useShared();
    const draft = useDraft();
    const [amount, setAmount] = useState(edit?.qty ?? row.qty);
    const [price, setPrice] = useState(edit?.price ?? row.price ?? '');
    const supplier = edit?.supplier ?? row.supplierCode;
    const typed = (text: string, decimals: number, own: string | null, give: (value: string | undefined) => void) => {
        const { value } = readQuantity(text, decimals);
        give(value === null || value === own ? undefined : value);
    };
    return (
        <>
            <PanelHead
                title={t(':qty :unit of :item', { qty: qty(row.qty, row.decimals), unit: row.unit, item: row.item })}
                href={`/orders/${encodeURIComponent(row.code)}`}
                onClose={onClose}
            />
            <p className="mb-2">
                <Link href={itemHref(row.item, row.site)} className="hover:underline">
                    {row.name}
                </Link>{' '}
                <span className="text-mute">
                    · {row.code}, {row.site}
                </span>
            </p>
            <p className="text-sm text-mute">
                {row.note === ''
                    ? t('Asked for by :name', { name: row.by })
                    : t('Asked for by :name: :note', { name: row.by, note: row.note })}
            </p>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Whom it is for')}</h3>
            <ul className="text-sm">
                {row.for.map((one) => (
                    <li key={one.label} className="py-0.5">
                        <MaybeLink to={one} />
                    </li>
                ))}
                {row.for.length === 0 && <li className="text-mute">{t('Nobody in the live plan yet.')}</li>}
                {row.forCount > row.for.length && <li className="text-mute">{t('and :n more', { n: row.forCount - row.for.length })}</li>}
                {row.lateLines > 0 && (
                    <li className="font-semibold text-broken">
                        {tn('1 of these is late already', ':n of these are late already', row.lateLines)}
                    </li>
                )}
            </ul>
            <p className="mt-2 flex flex-wrap gap-4 text-sm">
                <PeggingLink of={row.reference} way="up" />
                {draft.may && (
                    <button
                        type="button"
                        className="font-semibold text-draft hover:underline"
                        onClick={() =>
                            void draft.add(
                                [{ change: 'move_order', order: row.code, due: addDays(row.due, WEEK) }],
                                t(':item a week later', { item: row.item }),
                            )
                        }
                    >
                        {t('Try what slips if it comes a week later')}
                    </button>
                )}
            </p>
            {may && (
                <>
                    <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('As it is ordered')}</h3>
                    <div className="flex flex-wrap items-end gap-3">
                        <Labelled label={t('Quantity')}>
                            <NumberField
                                value={amount}
                                decimals={row.decimals}
                                unit={row.unit}
                                label={t('Quantity to order')}
                                onChange={(text) => {
                                    setAmount(text);
                                    typed(text, row.decimals, row.qty, (value) => onEdit({ qty: value }));
                                }}
                            />
                        </Labelled>
                        <Labelled label={t('Price each')}>
                            <NumberField
                                value={price}
                                decimals={6}
                                unit={row.offers.find((offer) => offer.code === supplier)?.currency ?? row.currency}
                                label={t('Price each')}
                                onChange={(text) => {
                                    setPrice(text);
                                    typed(text, 6, row.price, (value) => onEdit({ price: value }));
                                }}
                            />
                        </Labelled>
                        <Labelled label={t('Wanted')}>
                            <DateField
                                label={t('Wanted on')}
                                value={edit?.due ?? row.due}
                                min={plan.planDate}
                                onChange={(due) => onEdit({ due: due === row.due ? undefined : due })}
                            />
                        </Labelled>
                    </div>
                </>
            )}
            <fieldset className="mt-3">
                <legend className="mb-1 text-xs font-bold text-mute">{t('Supplier')}</legend>
                {row.offers.map((offer) => (
                    <label
                        key={offer.code}
                        className={`flex items-center gap-2 border-b border-soft py-1.5 text-sm ${offer.code === supplier ? 'font-semibold' : ''}`}
                    >
                        <input
                            type="radio"
                            name="request-supplier"
                            disabled={!may}
                            checked={offer.code === supplier}
                            onChange={() => {
                                setPrice(offer.price ?? '');
                                onEdit({ supplier: offer.code === row.supplierCode ? undefined : offer.code, price: undefined });
                            }}
                            className={offer.code === supplier && offer.code !== row.supplierCode ? 'accent-draft' : 'accent-act'}
                        />
                        <span className="min-w-0 flex-1">
                            <span className="block truncate">{offer.name}</span>
                            <span className="block text-xs font-normal text-mute">
                                {[
                                    offer.lead === null ? null : t(':n working days', { n: offer.lead }),
                                    offer.price === null ? t('no price') : `${qty(offer.price, 2)} ${offer.currency}`,
                                    ...offer.breaks.map((step) =>
                                        t(':price from :qty on', { qty: qty(step.from), price: qty(step.price, 2) }),
                                    ),
                                    offer.punctual,
                                ]
                                    .filter(Boolean)
                                    .join(', ')}
                            </span>
                        </span>
                    </label>
                ))}
                {row.offers.length === 0 && <p className="text-sm text-mute">{t('Nobody is known to sell it.')}</p>}
            </fieldset>
            {may && edit !== undefined && (
                <p className="mt-3">
                    <Button
                        look="quiet"
                        onClick={() => {
                            setAmount(row.qty);
                            setPrice(row.price ?? '');
                            onEdit({ qty: undefined, due: undefined, price: undefined, supplier: undefined });
                        }}
                    >
                        {t('As it was asked for')}
                    </Button>
                </p>
            )}
        </>
    );
}

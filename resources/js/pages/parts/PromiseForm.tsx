import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { NumberField } from '@/components/NumberField';
import { PillToggle } from '@/components/Pill';
import { day, qty as shownQty } from '@/lib/format';
import { readQuantity } from '@/lib/quantities';
import type { PromiseSubject, Subject } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { SubjectBox } from '@/pages/parts/SubjectBox';

export interface Wish {
    of: string;
    label: string;
    item: string;
    site: string;
    qty: string;
    unit: string;
    decimals: number;
}

/** What was asked; `of` is the sales line that it is asked for, or empty. */
export interface Asked {
    wishes: Wish[];
    wished: string;
    customer: string;
    order: string;
    together: boolean;
    regardless: boolean;
    capacity: boolean;
    of: string;
}

const NONE: Wish = { of: '', label: '', item: '', site: '', qty: '', unit: '', decimals: 6 };

function wishOf(subject: Subject, qty: string): Wish {
    return {
        of: subject.of,
        label: subject.label,
        item: subject.item ?? '',
        site: subject.site ?? '',
        qty,
        unit: subject.unit ?? '',
        decimals: subject.decimals ?? 6,
    };
}

function firstWish(subject: PromiseSubject | null, item: Subject | null): Wish {
    if (subject === null) {
        return item === null ? NONE : wishOf(item, '');
    }
    return { ...subject, of: subject.reference, label: subject.item };
}

interface Props {
    subject: PromiseSubject | null;
    item: Subject | null;
    busy: boolean;
    /** Whether the person has something drafted, which does not count here. */
    drafted: boolean;
    onAsk: (asked: Asked) => void;
}

/** What a customer asks for: items, quantities, a day. */
export function PromiseForm({ subject, item, busy, drafted, onAsk }: Props) {
    const { plan } = useShared();
    const [wishes, setWishes] = useState<Wish[]>([firstWish(subject, item)]);
    const [wished, setWished] = useState(subject && subject.due > plan.planDate ? subject.due : plan.planDate);
    const [customer, setCustomer] = useState(subject?.customer ?? '');
    const [order, setOrder] = useState('');
    const [together, setTogether] = useState(false);
    const [regardless, setRegardless] = useState(false);
    const [capacity, setCapacity] = useState(true);
    const change = (place: number, wish: Partial<Wish>) =>
        setWishes((old) => old.map((one, at) => (at === place ? { ...one, ...wish } : one)));
    const filled = wishes.filter((wish) => wish.item !== '' || wish.qty !== '');
    const sound = filled.length > 0 && filled.every((wish) => wish.item !== '' && readQuantity(wish.qty, wish.decimals).value !== null);
    const submit = () => {
        if (sound && !busy) {
            const read = filled.map((wish) => ({ ...wish, qty: readQuantity(wish.qty, wish.decimals).value ?? '' }));
            onAsk({ wishes: read, wished, customer, order, together, regardless, capacity, of: subject?.reference ?? '' });
        }
    };
    return (
        <form
            aria-label={t('What is asked for')}
            onSubmit={(event) => {
                event.preventDefault();
                submit();
            }}
            className="mb-3 rounded border border-line bg-surface px-3.5 py-3"
        >
            <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
                <div className="flex flex-col gap-1.5">
                    {wishes.map((wish, place) => (
                        <div key={place} className="flex items-start gap-2">
                            {subject && place === 0 ? (
                                <span className="flex h-[28px] w-44 items-center truncate">
                                    <strong>{wish.label}</strong>&nbsp;<span className="truncate text-mute">{subject.name}</span>
                                </span>
                            ) : (
                                <SubjectBox
                                    value={wish.of}
                                    label={wish.of === '' ? '' : `${wish.label}, ${wish.site}`}
                                    itemsOnly
                                    name={t('Item')}
                                    onPick={(_, picked) => picked && change(place, wishOf(picked, wish.qty))}
                                />
                            )}
                            <NumberField
                                value={wish.qty}
                                decimals={wish.decimals}
                                unit={wish.unit}
                                label={t('Quantity')}
                                placeholder={t('how many')}
                                onChange={(text) => change(place, { qty: text })}
                            />
                            {wishes.length > 1 && (
                                <button
                                    type="button"
                                    aria-label={t('Without :item', { item: wish.label || t('this line') })}
                                    onClick={() => setWishes((old) => old.filter((_, at) => at !== place))}
                                    className="size-7 text-mute hover:text-ink"
                                >
                                    <X size={15} className="m-auto" aria-hidden />
                                </button>
                            )}
                            {place === wishes.length - 1 && !subject && wishes.length < 12 && (
                                <Button look="quiet" className="!h-[28px] !px-1 text-sm" onClick={() => setWishes((old) => [...old, NONE])}>
                                    <Plus size={14} aria-hidden /> {t('another item')}
                                </Button>
                            )}
                        </div>
                    ))}
                </div>
                <label className="flex flex-col text-sm text-mute">
                    {t('Wished for')}
                    <DateField value={wished} onChange={setWished} label={t('Wished for')} min={plan.planDate} />
                </label>
                {subject ? (
                    <p className="pb-1">
                        <strong>{subject.label}</strong> {subject.customer}
                        <span className="text-mute">
                            {', '}
                            {subject.until
                                ? t('held until :day', { day: day(subject.until, plan.planDate) })
                                : t(':qty :unit due :day', {
                                      qty: shownQty(subject.qty, subject.decimals),
                                      unit: subject.unit,
                                      day: day(subject.due, plan.planDate),
                                  })}
                        </span>
                    </p>
                ) : (
                    <>
                        <label className="flex flex-col text-sm text-mute">
                            {t('Customer')}
                            <input
                                value={customer}
                                maxLength={190}
                                onChange={(event) => setCustomer(event.target.value)}
                                className="h-[28px] w-40 rounded border border-line bg-surface px-2 text-ink"
                            />
                        </label>
                        <label className="flex flex-col text-sm text-mute">
                            {t('Sales order')}
                            <input
                                value={order}
                                maxLength={60}
                                placeholder={t('numbered if empty')}
                                onChange={(event) => setOrder(event.target.value)}
                                className="h-[28px] w-32 rounded border border-line bg-surface px-2 text-ink"
                            />
                        </label>
                    </>
                )}
                <Button type="submit" look="act" disabled={!sound || busy} className="ml-auto">
                    {busy ? t('Looking ...') : t('Ask')}
                </Button>
            </div>
            <div className="mt-2.5 flex flex-wrap items-center gap-2 text-sm">
                <PillToggle on={capacity} onChange={setCapacity}>
                    {t('The shop must have room')}
                </PillToggle>
                {wishes.length > 1 && (
                    <PillToggle on={together} onChange={setTogether}>
                        {t('All on one day')}
                    </PillToggle>
                )}
                <PillToggle on={regardless} onChange={setRegardless}>
                    {t('Others may come later')}
                </PillToggle>
                {drafted && <span className="text-draft">{t('What you have drafted does not count here.')}</span>}
            </div>
        </form>
    );
}

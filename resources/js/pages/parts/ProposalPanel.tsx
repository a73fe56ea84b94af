import { Link } from '@inertiajs/react';
import { AnswerLines } from '@/components/AnswerLines';
import { PanelHead } from '@/components/PanelHead';
import { PeggingLink } from '@/components/PeggingLink';
import { PegList } from '@/components/PegList';
import { day, qty } from '@/lib/format';
import type { ProposalDetail, SupplierChoice } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { ProposalDraft } from '@/pages/parts/DraftForms';
import { itemHref, Messages } from '@/pages/parts/ItemPanel';
import type { Edit } from '@/pages/parts/ProposalTable';
import { SUPPLY_WAYS } from '@/lib/words';
import { DateField } from '@/components/DateField';

interface Props {
    detail: ProposalDetail;
    edit: Edit | undefined;
    mayConvert: boolean;
    onEdit: (edit: Edit) => void;
    onClose: () => void;
}

/** A proposal: how its quantity comes about, from whom and for when to order it, whom it serves. */
export function ProposalPanel({ detail, edit, mayConvert, onEdit, onClose }: Props) {
    const { row, answer, suppliers, messages, givenBack } = detail;
    return (
        <>
            <PanelHead
                title={t(':qty :unit of :item', { qty: qty(row.qty, row.decimals), unit: row.unit, item: row.item })}
                onClose={onClose}
            />
            <p className="mb-3">
                <Link href={itemHref(row.item, row.site)} className="hover:underline">
                    {row.name}
                </Link>{' '}
                <span className="text-mute">
                    · {t(SUPPLY_WAYS[row.kind])}, {row.site}
                </span>
            </p>
            {givenBack && <p className="mb-3 font-semibold text-look-ink">{givenBack}</p>}
            <h3 className="mb-1 text-xs font-bold text-mute">{t('How it comes about')}</h3>
            <AnswerLines answer={answer} />
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Date of the order')}</h3>
            <DueField detail={detail} edit={edit} mayConvert={mayConvert} onEdit={onEdit} />
            {suppliers.length > 0 && (
                <Suppliers
                    choices={suppliers}
                    chosen={edit?.supplier ?? row.supplier}
                    wanted={row.wanted}
                    own={row.supplier}
                    mayConvert={mayConvert}
                    onEdit={onEdit}
                />
            )}
            <p className="mt-3 flex gap-4 text-sm">
                <PeggingLink of={row.reference} way="up" />
                {row.kind !== 'buy' && <PeggingLink of={row.reference} />}
            </p>
            <ProposalDraft
                key={row.number}
                detail={detail}
                supplier={edit?.supplier ?? row.supplier ?? suppliers[0]?.code ?? null}
                due={edit?.due ?? row.due}
            />
            <PegList title={answer.pegsTitle} pegs={answer.pegs} />
            <Messages messages={messages} />
        </>
    );
}

function DueField({ detail, edit, mayConvert, onEdit }: Pick<Props, 'detail' | 'edit' | 'mayConvert' | 'onEdit'>) {
    const { row } = detail;
    const chosen = detail.suppliers.find((choice) => choice.code === edit?.supplier);
    const own = chosen ? (chosen.possible > row.wanted ? chosen.possible : row.wanted) : row.due;
    const changed = edit?.due !== undefined;
    return (
        <div className="flex items-center gap-2 text-sm">
            <DateField
                label={t('Date of the order')}
                disabled={!mayConvert}
                value={edit?.due ?? own}
                onChange={(due) => onEdit({ due: due === own ? undefined : due })}
                className={changed ? '!border-draft !bg-draft-tint font-semibold' : ''}
            />
            {changed && (
                <button type="button" className="text-draft hover:underline" onClick={() => onEdit({ due: undefined })}>
                    {t('back to :day', { day: day(own) })}
                </button>
            )}
            {!changed && own !== row.wanted && <span className="text-broken">{t('wanted :day', { day: day(row.wanted) })}</span>}
        </div>
    );
}

interface SuppliersProps {
    choices: SupplierChoice[];
    chosen: string | null;
    own: string | null;
    wanted: string;
    mayConvert: boolean;
    onEdit: Props['onEdit'];
}

/** Who offers the item, how long they take, at what price, and when it could be here if ordered today. */
function Suppliers({ choices, chosen, own, wanted, mayConvert, onEdit }: SuppliersProps) {
    return (
        <fieldset className="mt-3">
            <legend className="mb-1 text-xs font-bold text-mute">{t('Supplier, and when it could be here')}</legend>
            {choices.map((choice) => (
                <label
                    key={choice.code}
                    className={`flex items-center gap-2 border-b border-soft py-1.5 text-sm ${choice.code === chosen ? 'font-semibold' : ''}`}
                >
                    <input
                        type="radio"
                        name="supplier"
                        disabled={!mayConvert}
                        checked={choice.code === chosen}
                        onChange={() => onEdit({ supplier: choice.code === own ? undefined : choice.code })}
                        className={choice.code === chosen && choice.code !== own ? 'accent-draft' : 'accent-act'}
                    />
                    <span className="min-w-0 flex-1">
                        <span className="block truncate">{choice.name}</span>
                        <span className="block text-xs font-normal text-mute">
                            {t(':n working days', { n: choice.lead })},{' '}
                            {choice.price === null
                                ? t('no price')
                                : choice.value === null
                                  ? `${qty(choice.price, 2)} ${choice.currency}`
                                  : t(':price each, :value :currency in all', {
                                        price: qty(choice.price, 2),
                                        value: qty(choice.value, 2),
                                        currency: choice.currency,
                                    })}
                            {choice.minQty !== null && `, ${t('at least :qty', { qty: qty(choice.minQty) })}`}
                            {choice.multiple !== null && `, ${t('in steps of :qty', { qty: qty(choice.multiple) })}`}
                        </span>
                        {choice.punctual !== null && <span className="block text-xs font-normal text-mute">{choice.punctual}</span>}
                    </span>
                    <span className={`text-right whitespace-nowrap ${choice.possible > wanted ? 'text-broken' : ''}`}>
                        {day(choice.possible)}
                        <span className="block text-xs font-normal">
                            {choice.late > 0 ? tn('1 day late', ':n days late', choice.late) : t('in time')}
                        </span>
                    </span>
                </label>
            ))}
        </fieldset>
    );
}

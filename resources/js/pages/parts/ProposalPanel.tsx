import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { AnswerLines } from '@/components/AnswerLines';
import { PanelHead } from '@/components/PanelHead';
import { PeggingLink } from '@/components/PeggingLink';
import { PegList } from '@/components/PegList';
import { WhyChanged } from '@/components/WhyChanged';
import { WaysOut } from '@/components/WaysOut';
import { addDays, day, qty } from '@/lib/format';
import { readQuantity, restOf } from '@/lib/quantities';
import type { OrderKind, ProposalDetail, WayChoice } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { remediesOf } from '@/lib/useRemedies';
import { ProposalDraft } from '@/pages/parts/DraftForms';
import { itemHref, Messages } from '@/pages/parts/ItemPanel';
import { wayOf } from '@/pages/parts/proposalSums';
import type { Edit } from '@/pages/parts/ProposalTable';
import { SUPPLY_WAYS } from '@/lib/words';
import { DateField } from '@/components/DateField';

interface Props {
    detail: ProposalDetail;
    edit: Edit | undefined;
    mayConvert: boolean;
    /** Whether the person may make orders of a kind. */
    mayMake: (kind: OrderKind) => boolean;
    onEdit: (edit: Edit) => void;
    onClose: () => void;
}

/** A proposal: how its quantity comes about, from whom and for when to order it, whom it serves. */
export function ProposalPanel({ detail, edit, mayConvert, mayMake, onEdit, onClose }: Props) {
    const { row, answer, ways, messages, givenBack, putOff, isResting, need } = detail;
    const [looking, setLooking] = useState(false);
    const chosen = chosenWay(detail, edit);
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
            {putOff && <p className={`mb-3 ${isResting ? 'font-semibold text-look-ink' : 'text-mute'}`}>{putOff}</p>}
            <h3 className="mb-1 text-xs font-bold text-mute">{t('How it comes about')}</h3>
            <AnswerLines answer={answer} />
            <WhyChanged
                key={row.number}
                url={`/why/proposal?number=${row.number}`}
                say={({ before, after }) =>
                    t('Proposed for up to :day, before: :before. Now: :after.', { day: day(row.wanted), before, after })
                }
            />
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('Date of the order')}</h3>
            <DueField detail={detail} edit={edit} mayConvert={mayConvert} onEdit={onEdit} />
            <RestField detail={detail} edit={edit} mayConvert={mayConvert} onEdit={onEdit} />
            {(ways.length > 1 || (row.kind === 'buy' && ways.length > 0)) && (
                <Ways detail={detail} chosen={chosen} mayMake={(kind) => mayConvert && mayMake(kind)} onEdit={onEdit} />
            )}
            <p className="mt-3 flex gap-4 text-sm">
                <PeggingLink of={row.reference} way="up" />
                {row.kind !== 'buy' && <PeggingLink of={row.reference} />}
            </p>
            <ProposalDraft
                key={row.number}
                detail={detail}
                supplier={chosen?.supplier ?? row.supplier ?? ways.find((way) => way.supplier !== null)?.supplier ?? null}
                due={edit?.due ?? row.due}
            />
            {need !== null && !looking && (
                <p className="mt-3">
                    <button type="button" onClick={() => setLooking(true)} className="text-sm font-semibold text-act hover:underline">
                        {t('What else could cover it')}
                    </button>
                </p>
            )}
            {need !== null && looking && (
                <WaysOut
                    title={t('What else could cover it, and what it costs others')}
                    url={remediesOf(need, row.item)}
                    nothing={t('Nothing else that could be planned would cover it in time.')}
                />
            )}
            <PegList title={answer.pegsTitle} pegs={answer.pegs} />
            <Messages messages={messages} />
        </>
    );
}

function DueField({ detail, edit, mayConvert, onEdit }: Pick<Props, 'detail' | 'edit' | 'mayConvert' | 'onEdit'>) {
    const { row } = detail;
    const chosen = edit?.way === undefined ? undefined : chosenWay(detail, edit);
    const own = chosen && chosen.kind !== 'make' ? (chosen.possible > row.wanted ? chosen.possible : row.wanted) : row.due;
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

/** Where less is ordered than is proposed: the rest now for a later day, or left to the next run. */
function RestField({ detail, edit, mayConvert, onEdit }: Pick<Props, 'detail' | 'edit' | 'mayConvert' | 'onEdit'>) {
    const { row } = detail;
    const typed = readQuantity(edit?.qty ?? row.qty, row.decimals).value;
    const left = typed === null ? null : restOf(row.qty, typed);
    if (left === null || !mayConvert) {
        return null;
    }
    return (
        <div className="mt-2 flex items-center gap-2 text-sm">
            <label className="flex items-center gap-1.5">
                <input
                    type="checkbox"
                    checked={edit?.rest !== undefined}
                    onChange={(event) => onEdit({ rest: event.target.checked ? addDays(row.wanted, 7) : undefined })}
                    className="accent-draft"
                />
                {edit?.rest === undefined
                    ? t('the rest, :qty :unit, on another day', { qty: qty(left, row.decimals), unit: row.unit })
                    : t('the rest, :qty :unit, on', { qty: qty(left, row.decimals), unit: row.unit })}
            </label>
            {edit?.rest !== undefined && (
                <DateField label={t('Day of the rest')} value={edit.rest} onChange={(rest) => onEdit({ rest })} className="!border-draft" />
            )}
        </div>
    );
}

/** The way in which it is got as it is changed so far. */
function chosenWay({ row, ways }: ProposalDetail, edit: Edit | undefined): WayChoice | undefined {
    return ways.find((way) => way.way === (edit?.way ?? wayOf(row)));
}

interface WaysProps {
    detail: ProposalDetail;
    chosen: WayChoice | undefined;
    mayMake: (kind: OrderKind) => boolean;
    onEdit: Props['onEdit'];
}

/** Each way to get it, side by side: how long it takes, at what price for that quantity, and when it could be here if ordered today. */
function Ways({ detail, chosen, mayMake, onEdit }: WaysProps) {
    const { row, ways } = detail;
    const own = chosenWay(detail, undefined);
    return (
        <fieldset className="mt-3">
            <legend className="mb-1 text-xs font-bold text-mute">{t('How to get it, and when it could be here')}</legend>
            {ways.map((choice) => (
                <label
                    key={choice.way}
                    className={`flex items-center gap-2 border-b border-soft py-1.5 text-sm ${choice === chosen ? 'font-semibold' : ''}`}
                >
                    <input
                        type="radio"
                        name="way"
                        disabled={!mayMake(choice.kind)}
                        checked={choice === chosen}
                        onChange={() => onEdit({ way: choice === own ? undefined : choice.way })}
                        className={choice === chosen && choice !== own ? 'accent-draft' : 'accent-act'}
                    />
                    <span className="min-w-0 flex-1">
                        <span className="block truncate">{choice.name}</span>
                        <span className="block text-xs font-normal text-mute">{terms(choice)}</span>
                        {choice.punctual !== null && <span className="block text-xs font-normal text-mute">{choice.punctual}</span>}
                    </span>
                    <span className={`text-right whitespace-nowrap ${choice.possible > row.wanted ? 'text-broken' : ''}`}>
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

function terms(choice: WayChoice): string {
    const prices = {
        price: qty(choice.price ?? '0', 2),
        value: qty(choice.value ?? '0', 2),
        currency: choice.currency,
    };
    return [
        tn('1 working day', ':n working days', choice.lead),
        choice.kind !== 'buy' ? null : choice.price === null ? t('no price') : t(':price each, :value :currency in all', prices),
        ...choice.breaks
            .filter((step) => step.price !== choice.price)
            .map((step) => t(':price from :qty on', { qty: qty(step.from), price: qty(step.price, 2) })),
        choice.minQty === null ? null : t('at least :qty', { qty: qty(choice.minQty) }),
        choice.multiple === null ? null : t('in steps of :qty', { qty: qty(choice.multiple) }),
    ]
        .filter(Boolean)
        .join(', ');
}

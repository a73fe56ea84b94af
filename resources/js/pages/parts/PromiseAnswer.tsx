import { Link } from '@inertiajs/react';
import { Copy } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button } from '@/components/Button';
import { CoverStrip } from '@/components/CoverStrip';
import { DateField } from '@/components/DateField';
import { Notice } from '@/components/Notice';
import { addDays, day, isZero, qty } from '@/lib/format';
import { freshKey, postJson } from '@/lib/http';
import type { PromisedItem, PromiseHitRow, PromiseReply, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { usePageKeys } from '@/lib/usePageKeys';
import type { Asked } from '@/pages/parts/PromiseForm';
import { PromiseLine } from '@/pages/parts/PromiseLine';

type Way = 'all' | 'split' | 'day' | 'hand';

interface Part {
    item: string;
    site: string;
    qty: string;
    date: string;
}

/** Which ways an item can be promised. */
function waysOf(item: PromisedItem): Way[] {
    return [
        ...(item.earliest === null ? [] : ['all' as const]),
        ...(item.split.length > 1 ? ['split' as const] : []),
        ...(isZero(item.onDate) || item.onDate === item.qty ? [] : ['day' as const]),
        'hand',
    ];
}

function partsOf(item: PromisedItem, way: Way, hand: string, from: string): Part[] {
    const part = (amount: string, date: string) => ({ item: item.item, site: item.site, qty: amount, date });
    if (way === 'split') {
        return item.split.map((one) => part(one.qty, one.day));
    }
    if (way === 'day') {
        return [part(item.onDate, from)];
    }
    return [part(item.qty, way === 'all' ? (item.earliest ?? hand) : hand)];
}

interface Props {
    asked: Asked;
    answer: PromiseReply;
    may: boolean;
    onDone: (told: Told) => void;
    onAskAgain: () => void;
}

/** When it can be had, because of what, from what; and what to do with it. */
export function PromiseAnswer({ asked, answer, may, onDone, onAskAgain }: Props) {
    const { plan } = useShared();
    const section = useRef<HTMLElement>(null);
    // from the question on to the ways, so that arrows choose and a key holds or accepts
    useEffect(() => section.current?.querySelector<HTMLElement>('input[type=radio]:checked')?.focus(), []);
    const [ways, setWays] = useState(() => answer.items.map((item) => waysOf(item)[0] ?? 'hand'));
    const [hand, setHand] = useState(answer.from);
    const [until, setUntil] = useState(addDays(plan.planDate, 7));
    const [hits, setHits] = useState(answer.hits);
    const [agreed, setAgreed] = useState(false);
    const parts = answer.items.flatMap((item, place) => partsOf(item, ways[place] ?? 'hand', hand, answer.from));
    const byHand = ways.some((way) => way === 'hand');
    const held = asked.of !== '' && !asked.order;
    const body = () => ({
        lines: parts,
        customer: asked.customer,
        order: asked.order,
        capacity: asked.capacity,
        of: asked.of,
        agreed: agreed ? hits.map((hit) => hit.reference) : [],
        key: freshKey(),
    });
    const refused = (refusal: { reason: string; details: Record<string, unknown> }) => {
        if (refusal.reason === 'hits') {
            setHits((refusal.details.hits ?? []) as PromiseHitRow[]);
            setAgreed(false);
        }
        return false;
    };
    const hold = useCommand(() => postJson<Told>('/promise/hold', { ...body(), until }), onDone, refused);
    const accept = useCommand(() => postJson<Told>('/promise/accept', { ...body(), byHand }), onDone, refused);
    const trouble = hold.trouble ?? accept.trouble;
    const busy = hold.busy || accept.busy;
    const ready = may && !busy && (hits.length === 0 || agreed);
    usePageKeys(ready ? { h: () => hold.send(undefined), a: () => accept.send(undefined) } : {});
    return (
        <section ref={section} aria-label={t('The answer')} className="mb-4">
            {trouble && (
                <Notice tone="broken">
                    {trouble}{' '}
                    <button type="button" onClick={onAskAgain} className="font-semibold text-act hover:underline">
                        {t('Ask again')}
                    </button>
                </Notice>
            )}
            {answer.together && (
                <p className="mb-2 text-lg">
                    {answer.day === null ? (
                        <strong>{t('There is no day on which all of it can be had.')}</strong>
                    ) : (
                        <>
                            {t('All of it')} <strong>{day(answer.day, plan.planDate)}</strong>
                        </>
                    )}
                    {answer.decidedBy && <span className="text-base text-mute"> {t('not sooner: :what', { what: answer.decidedBy })}</span>}
                </p>
            )}
            <div className="flex flex-col gap-2">
                {answer.items.map((item, place) => (
                    <ItemAnswer
                        key={place}
                        item={item}
                        from={answer.from}
                        together={answer.together}
                        way={ways[place] ?? 'hand'}
                        hand={hand}
                        onWay={(way) => setWays((old) => old.map((one, at) => (at === place ? way : one)))}
                        onHand={setHand}
                    />
                ))}
            </div>
            {hits.length > 0 && <Hits hits={hits} agreed={agreed} onAgree={setAgreed} />}
            {may ? (
                <div className="mt-2.5 flex flex-wrap items-center gap-2 rounded border border-line bg-surface px-3.5 py-2">
                    <Button look="act" disabled={!ready} onClick={() => accept.send(undefined)}>
                        {byHand ? t('Accept by hand') : t('Accept')} <kbd className="font-sans text-xs opacity-80">A</kbd>
                    </Button>
                    {!held && (
                        <>
                            <Button disabled={!ready || byHand} onClick={() => hold.send(undefined)}>
                                {t('Hold until')} <kbd className="font-sans text-xs text-mute">H</kbd>
                            </Button>
                            <DateField value={until} onChange={setUntil} label={t('Hold until')} min={plan.planDate} />
                        </>
                    )}
                    <CustomerNote asked={asked} parts={parts} items={answer.items} />
                </div>
            ) : (
                <p className="mt-2 text-sm text-mute">{t('Holding and accepting is for the sales desk and planners.')}</p>
            )}
        </section>
    );
}

interface ItemProps {
    item: PromisedItem;
    from: string;
    together: boolean;
    way: Way;
    hand: string;
    onWay: (way: Way) => void;
    onHand: (day: string) => void;
}

/** One item: the ways in which it can be had, the first of them picked, and from what it comes. */
function ItemAnswer({ item, from, together, way, hand, onWay, onHand }: ItemProps) {
    const { plan } = useShared();
    const near = plan.planDate;
    const amount = (value: string) => `${qty(value, item.decimals)} ${item.unit}`;
    const words: Record<Way, string> = {
        all: t('all of it :day', { day: item.earliest ? day(item.earliest, near) : '' }),
        split: item.split.map((part) => `${amount(part.qty)} ${day(part.day, near)}`).join(', '),
        day: t('only :qty, :day', { qty: amount(item.onDate), day: day(from, near) }),
        hand: t('another day, by hand'),
    };
    const ways = waysOf(item).filter((one) => !together || one === 'all' || one === 'hand');
    const complete = `/complete?${new URLSearchParams({ of: item.of, qty: item.qty, due: item.earliest ?? from }).toString()}`;
    return (
        <fieldset className="rounded border border-line bg-surface px-3.5 py-2.5">
            <legend className="sr-only">{item.item}</legend>
            <div className="flex flex-wrap items-baseline gap-x-3">
                <p className="text-lg">
                    <strong>
                        {amount(item.qty)} {item.item}
                    </strong>{' '}
                    {item.earliest === null ? (
                        <span className="font-semibold text-broken">{t('on no day up to the end of the plan')}</span>
                    ) : (
                        <strong className={item.earliest > from ? 'text-look-ink' : 'text-act-dark'}>{day(item.earliest, near)}</strong>
                    )}
                </p>
                <p className="text-mute">
                    {item.earliest !== null && item.earliest <= from ? t('as wished') : null}
                    {item.decidedBy && t('not sooner: :what', { what: item.decidedBy })}
                </p>
                <Link href={complete} className="ml-auto text-sm font-semibold text-act hover:underline">
                    {t('How it comes about')}
                </Link>
            </div>
            <div className="mt-1.5 flex flex-wrap items-center gap-x-5 gap-y-1">
                {ways.map((one) => (
                    <label key={one} className="flex min-h-6 cursor-pointer items-center gap-1.5">
                        <input
                            type="radio"
                            name={`way ${item.item} ${item.qty}`}
                            checked={way === one}
                            onChange={() => onWay(one)}
                            className="accent-act"
                        />
                        {words[one]}
                        {one === 'split' && <span className="text-mute">{t('in two parts')}</span>}
                    </label>
                ))}
                {way === 'hand' && <DateField value={hand} onChange={onHand} label={t('Promised by hand for')} min={near} />}
            </div>
            {item.strip && item.earliest && (
                <div className="mt-2.5 flex items-start gap-4">
                    <div className="w-24 shrink-0 pt-1">
                        <CoverStrip strip={item.strip} width={92} />
                        <p className="mt-1 text-xs text-mute">{t('what it comes from')}</p>
                    </div>
                    <PromiseLine item={item} from={from} earliest={item.earliest} />
                </div>
            )}
        </fieldset>
    );
}

/** Who comes later for it; nothing is promised before that was read. */
function Hits({ hits, agreed, onAgree }: { hits: PromiseHitRow[]; agreed: boolean; onAgree: (agreed: boolean) => void }) {
    const { plan } = useShared();
    const said = (iso: string | null) => (iso === null ? t('not covered') : day(iso, plan.planDate));
    return (
        <div className="mt-2.5 rounded border border-broken bg-broken-tint px-3.5 py-2">
            <p className="font-bold">{tn('1 other line would come later for it', ':n other lines would come later for it', hits.length)}</p>
            <table className="my-1 text-sm">
                <tbody>
                    {hits.map((hit) => (
                        <tr key={hit.reference}>
                            <td className="pr-4">
                                <Link href={hit.href} className="font-semibold hover:underline">
                                    {hit.label}
                                </Link>{' '}
                                {hit.customer}
                            </td>
                            <td className="pr-4">{hit.item}</td>
                            <td className="pr-2 text-mute line-through">{said(hit.before)}</td>
                            <td className="pr-4 font-semibold text-broken">{said(hit.after)}</td>
                            <td className="text-right">
                                {isZero(hit.missing)
                                    ? tn('1 day later', ':n days later', hit.days)
                                    : t(':qty :unit less', { qty: qty(hit.missing), unit: hit.unit })}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <label className="flex min-h-6 items-center gap-1.5 font-semibold">
                <input
                    type="checkbox"
                    checked={agreed}
                    onChange={(event) => onAgree(event.target.checked)}
                    className="size-[15px] accent-act"
                />
                {t('They may come later')}
            </label>
        </div>
    );
}

/** What to write to the customer, ready to copy. */
function CustomerNote({ asked, parts, items }: { asked: Asked; parts: Part[]; items: PromisedItem[] }) {
    const { plan } = useShared();
    const [copied, setCopied] = useState(false);
    const said = parts.map((part) => {
        const item = items.find((one) => one.item === part.item && one.site === part.site);
        return t(':qty :unit :item (:name) by :day', {
            qty: qty(part.qty, item?.decimals),
            unit: item?.unit ?? '',
            item: part.item,
            name: item?.name ?? '',
            day: day(part.date, plan.planDate),
        });
    });
    const text = `${asked.customer === '' ? '' : `${t('To :customer:', { customer: asked.customer })} `}${t('We can deliver :what.', { what: said.join('; ') })}`;
    return (
        <span className="ml-auto flex min-w-0 flex-1 items-center justify-end gap-2 text-sm">
            <output className="min-w-0 truncate text-mute" title={text}>
                {text}
            </output>
            <Button
                className="!h-[26px] !px-2 text-sm"
                onClick={() => {
                    void navigator.clipboard.writeText(text).then(() => setCopied(true));
                }}
            >
                <Copy size={13} aria-hidden /> {copied ? t('Copied') : t('Copy for the customer')}
            </Button>
        </span>
    );
}

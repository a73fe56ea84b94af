import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { PanelHead } from '@/components/PanelHead';
import { WaysOut } from '@/components/WaysOut';
import { day, qty } from '@/lib/format';
import type { BoardNeighbour, BoardPick, BoardStep } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { type Sentence, t } from '@/lib/t';
import { clockOf } from '@/pages/parts/BoardCanvas';

const STATES: Record<string, Sentence> = { firm: 'Firm', released: 'Released', proposed: 'Proposed' };

interface Props {
    pick: BoardPick;
    may: boolean;
    onGo: (of: string) => void;
    onFix: () => void;
    onOff: () => void;
    onClose: () => void;
}

/** An order of the board: its operations and why they stand where they stand, what it waits for, who waits for it. */
export function BoardPanel({ pick, may, onGo, onFix, onOff, onClose }: Props) {
    const { plan } = useShared();
    const { order } = pick;
    return (
        <>
            <PanelHead
                title={`${order.label}, ${qty(order.qty)} ${order.unit} ${order.item}`}
                href={pick.page?.href ?? undefined}
                onClose={onClose}
            />
            <p className="mb-2 text-mute">
                {t(STATES[order.state] ?? 'Firm')}, {t('due :day', { day: day(order.due, plan.planDate) })}
                {order.family && `, ${t('family :name', { name: order.family })}`}
            </p>
            {pick.trouble ? (
                <p className="mb-2 rounded border border-broken bg-broken-tint px-2.5 py-1.5 font-semibold">{pick.trouble}</p>
            ) : (
                order.way && <p className="mb-2">{order.way}</p>
            )}
            <h3 className="mt-3 mb-1 font-bold text-mute">{t('Its operations')}</h3>
            {pick.steps.length === 0 ? (
                <p className="text-sm">{t('There is no room for it in the shop, or it is held.')}</p>
            ) : (
                <ol>
                    {pick.steps.map((step) => (
                        <Step key={step.op} step={step} onGo={onGo} />
                    ))}
                </ol>
            )}
            {may && (
                <div className="mt-2 flex flex-wrap gap-2">
                    {pick.steps.some((step) => step.place !== 'hand') && (
                        <Button className="!h-[27px] text-sm" onClick={onFix}>
                            {t('Fix it where it stands')}
                        </Button>
                    )}
                    {order.state !== 'proposed' && pick.steps.some((step) => step.place !== 'loose') && (
                        <Button className="!h-[27px] text-sm" onClick={onOff}>
                            {t('Take it off the board')}
                        </Button>
                    )}
                </div>
            )}
            {pick.steps.length > 0 && <Sooner key={order.of} of={order.of} late={pick.trouble !== null} />}
            <Neighbours title={t('Waits for')} rows={pick.waitsFor} onGo={onGo} none={t('Nothing: all of it is in stock.')} />
            <Neighbours title={t('Waits for it')} rows={pick.waited} onGo={onGo} none={t('Nobody.')} />
            <h3 className="mt-3 mb-1 font-bold text-mute">{t('Look further')}</h3>
            <ul className="text-sm">
                {[...new Set(pick.steps.map((step) => step.centre))].map((centre) => (
                    <li key={centre}>
                        <Link href={`/capacity?q=${encodeURIComponent(centre)}`} className="font-semibold text-act hover:underline">
                            {t('Relieve :centre', { centre })}
                        </Link>
                    </li>
                ))}
                <li>
                    <Link href="/schedule" className="font-semibold text-act hover:underline">
                        {t('Schedule anew')}
                    </Link>
                </li>
                {order.label.includes('-') && (
                    <li>
                        <Link href={`/complete?of=${encodeURIComponent(order.of)}`} className="font-semibold text-act hover:underline">
                            {t('When is it complete?')}
                        </Link>
                    </li>
                )}
            </ul>
        </>
    );
}

/** What would bring it sooner: worked out at once where it is late, else when it is asked. */
function Sooner({ of, late }: { of: string; late: boolean }) {
    const [asked, setAsked] = useState(late);
    return asked ? (
        <WaysOut
            title={t('What would bring it sooner, with the shop as it stands')}
            url={`/board/ways?${new URLSearchParams({ of }).toString()}`}
            nothing={t('Nothing in the shop that could be planned brings it sooner.')}
        />
    ) : (
        <button type="button" onClick={() => setAsked(true)} className="mt-2 min-h-6 text-sm font-semibold text-act hover:underline">
            {t('What would bring it sooner?')}
        </button>
    );
}

function Step({ step, onGo }: { step: BoardStep; onGo: (of: string) => void }) {
    const { plan } = useShared();
    const [asked, setAsked] = useState(false);
    const [first, ...rest] = step.reasons;
    return (
        <li className="border-b border-soft py-1.5 text-sm">
            <div className="flex items-baseline gap-2">
                <span className="w-6 shrink-0 text-right font-semibold">{step.op}</span>
                <span className="min-w-0 flex-1 truncate" title={step.centreName}>
                    {step.centreName}, {step.centre} {step.units}
                </span>
                <span className="whitespace-nowrap">{step.start === null ? '' : clockOf(plan.planDate, step.start)}</span>
            </div>
            {first && (
                <div className="mt-0.5 ml-8">
                    <button
                        type="button"
                        aria-expanded={asked}
                        onClick={() => setAsked(!asked)}
                        className="min-h-6 text-left text-mute hover:text-ink hover:underline"
                    >
                        {t('Why then: :why', {
                            why:
                                first.kind === 'opens' && rest[0] && rest[0].kind !== 'now' ? `${rest[0].says}, ${first.says}` : first.says,
                        })}
                    </button>
                    {asked && (
                        <ul className="mb-1">
                            {[first, ...rest].map((reason) => (
                                <li key={reason.says} className="flex min-h-6 items-center gap-2">
                                    <span aria-hidden>·</span>
                                    {reason.of === null ? (
                                        reason.says
                                    ) : (
                                        <button
                                            type="button"
                                            onClick={() => onGo(reason.of ?? '')}
                                            className="text-left text-act hover:underline"
                                        >
                                            {reason.says}
                                        </button>
                                    )}
                                </li>
                            ))}
                        </ul>
                    )}
                </div>
            )}
        </li>
    );
}

function Neighbours({ title, rows, none, onGo }: { title: string; rows: BoardNeighbour[]; none: string; onGo: (of: string) => void }) {
    return (
        <>
            <h3 className="mt-3 mb-1 font-bold text-mute">{title}</h3>
            {rows.length === 0 && <p className="text-sm text-mute">{none}</p>}
            <ul className="text-sm">
                {rows.map((row, place) => (
                    <li key={place} className="flex min-h-[30px] items-center gap-2 border-b border-soft">
                        <span className="min-w-0 flex-1 truncate">
                            {row.of !== null ? (
                                <button type="button" onClick={() => onGo(row.of ?? '')} className="min-h-6 font-semibold hover:underline">
                                    {row.label}
                                </button>
                            ) : row.href ? (
                                <Link href={row.href} className="font-semibold hover:underline">
                                    {row.label}
                                </Link>
                            ) : (
                                <strong>{row.label}</strong>
                            )}{' '}
                            <span className="text-mute">{row.note}</span>
                        </span>
                        <span className={`whitespace-nowrap ${row.isLate ? 'font-semibold text-broken' : ''}`}>
                            {row.isLate && <span aria-hidden>! </span>}
                            {row.when}
                        </span>
                    </li>
                ))}
            </ul>
        </>
    );
}

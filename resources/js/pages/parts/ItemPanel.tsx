import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react';
import { Link } from '@inertiajs/react';
import { TouchedNote } from '@/components/DraftMarks';
import { MaybeLink } from '@/components/MaybeLink';
import { PanelHead } from '@/components/PanelHead';
import { Quantity } from '@/components/Quantity';
import { PointDraft } from '@/pages/parts/DraftForms';
import { FlowChart } from '@/pages/parts/FlowChart';
import { day, isZero, qty } from '@/lib/format';
import type { LabelledValue, FlowRow, MessageRow, PointDetail, RecordRow, StructureRow } from '@/lib/shapes';
import { t } from '@/lib/t';
import { pointKey } from '@/lib/useDraftedBalances';
import { SUPPLY_WAYS } from '@/lib/words';

export function itemHref(item: string, site: string): string {
    return `/item?${new URLSearchParams({ item, at: site }).toString()}`;
}

/** An item at a site in the inspector. */
export function ItemPanel({ detail, onClose }: { detail: PointDetail; onClose: () => void }) {
    return (
        <>
            <PanelHead title={detail.item} href={itemHref(detail.item, detail.site)} onClose={onClose} />
            <p className="mb-2">
                {detail.name}{' '}
                <span className="text-mute">
                    · {t(SUPPLY_WAYS[detail.supply])}, {detail.siteName}, {t('level :n', { n: detail.level })}
                </span>
            </p>
            <TouchedNote reference={pointKey(detail.item, detail.site)} />
            <TabGroup>
                <TabList className="-mx-3.5 flex gap-4 border-b border-line px-3.5">
                    {[t('Flow'), t('Record'), t('Structure'), t('Data')].map((label) => (
                        <Tab
                            key={label}
                            className="border-b-2 border-transparent pb-1.5 font-semibold text-mute data-selected:border-act data-selected:text-ink"
                        >
                            {label}
                        </Tab>
                    ))}
                </TabList>
                <TabPanels className="pt-2.5">
                    <TabPanel>
                        <Facts facts={detail.facts} />
                        <FlowChart flow={detail.flow} safety={detail.safety} history={detail.history} />
                        <FlowTable flow={detail.flow} decimals={detail.decimals} short />
                        <Messages messages={detail.messages} />
                    </TabPanel>
                    <TabPanel>
                        <ShortRecord record={detail.record} decimals={detail.decimals} />
                    </TabPanel>
                    <TabPanel>
                        <StructureList title={t('Made of')} rows={detail.below} empty={t('It has no structure.')} />
                        <StructureList title={t('Goes into')} rows={detail.above} empty={t('It goes into nothing else.')} />
                    </TabPanel>
                    <TabPanel>
                        <PlanningData facts={detail.planning} />
                        <PointDraft key={`${detail.item} ${detail.site}`} detail={detail} />
                    </TabPanel>
                </TabPanels>
            </TabGroup>
        </>
    );
}

/** The record by period, as narrow as the inspector is: what is needed, what comes in, what is left. */
function ShortRecord({ record, decimals }: { record: RecordRow[]; decimals: number }) {
    return (
        <table className="w-full table-fixed text-sm">
            <thead>
                <tr className="border-b border-line text-right text-xs text-mute">
                    <th scope="col" className="w-[84px] py-1.5 text-left">
                        {t('From')}
                    </th>
                    <th scope="col">{t('Needed')}</th>
                    <th scope="col">{t('Orders in')}</th>
                    <th scope="col">{t('Proposed')}</th>
                    <th scope="col">{t('Balance')}</th>
                </tr>
            </thead>
            <tbody>
                {record.map((row) => (
                    <tr key={row.start} className="h-7 border-b border-soft text-right">
                        <td className="text-left whitespace-nowrap">{day(row.start)}</td>
                        <td>
                            <Quantity value={row.needed} decimals={decimals} />
                        </td>
                        <td>
                            <Quantity value={row.receipts} decimals={decimals} />
                        </td>
                        <td>
                            <Quantity value={row.proposals} decimals={decimals} />
                        </td>
                        <td
                            className={`font-semibold ${row.mark === 'broken' ? 'text-broken' : row.mark === 'look' ? 'text-look-ink' : ''}`}
                        >
                            {row.mark === 'dip' && (
                                <span className="mr-1 text-2xs text-broken" title={t('short on a day in between')}>
                                    ▾
                                </span>
                            )}
                            <Quantity value={row.balance} decimals={decimals} />
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

export function Facts({ facts }: { facts: LabelledValue[] }) {
    return (
        <dl className="grid grid-cols-2 gap-x-5 gap-y-0.5">
            {facts.map((fact) => (
                <div key={fact.label} className="flex justify-between gap-2">
                    <dt className="text-mute">{fact.label}</dt>
                    <dd className="text-right font-bold whitespace-nowrap">{fact.value}</dd>
                </div>
            ))}
        </dl>
    );
}

const SWATCH: Partial<Record<FlowRow['kind'], string>> = { stock: 'cover-stock', order: 'cover-order', proposal: 'cover-proposal' };
const SHOWN = 40;

/** Every supply and demand in date order with the balance after it. */
export function FlowTable({ flow, decimals, short = false }: { flow: FlowRow[]; decimals: number; short?: boolean }) {
    const rows = short ? flow.slice(0, SHOWN) : flow;
    return (
        <table className="mt-1 w-full table-fixed text-sm">
            <thead>
                <tr className="border-b border-line text-left text-xs text-mute">
                    <th scope="col" className={`py-1.5 ${short ? 'w-[76px]' : 'w-[110px]'}`}>
                        {t('Date')}
                    </th>
                    <th scope="col">{t('What')}</th>
                    <th scope="col" className={`text-right ${short ? 'w-[58px]' : 'w-[110px]'}`}>
                        {t('Qty')}
                    </th>
                    <th scope="col" className={`text-right ${short ? 'w-[62px]' : 'w-[110px]'}`}>
                        {t('Balance')}
                    </th>
                </tr>
            </thead>
            <tbody>
                {rows.map((row, place) => (
                    <tr key={place} className="h-8 border-b border-soft">
                        <td className="whitespace-nowrap">{day(row.date)}</td>
                        <td className="truncate pr-2" title={[row.what.label, row.note].filter(Boolean).join(', ')}>
                            {SWATCH[row.kind] && (
                                <span aria-hidden className={`${SWATCH[row.kind] ?? ''} mr-1.5 inline-block h-2 w-3 rounded-[1px]`} />
                            )}
                            <MaybeLink to={row.what} className="underline decoration-line underline-offset-2 hover:decoration-ink" />
                            {row.lateDays > 0 && <span className="text-broken"> {t(':n days late', { n: row.lateDays })}</span>}
                            {row.note && <span className="text-look-ink"> {row.note}</span>}
                        </td>
                        <td className="text-right whitespace-nowrap">{row.kind === 'stock' ? '' : qty(row.qty, decimals)}</td>
                        <td
                            className={`text-right font-semibold whitespace-nowrap ${row.mark === 'broken' ? 'text-broken' : row.mark === 'look' ? 'text-look-ink' : ''}`}
                        >
                            {qty(row.balance, decimals)}
                        </td>
                    </tr>
                ))}
                {rows.length === 0 && (
                    <tr>
                        <td colSpan={4} className="py-3 text-mute">
                            {t('Nothing moves here within the horizon.')}
                        </td>
                    </tr>
                )}
                {rows.length < flow.length && (
                    <tr>
                        <td colSpan={4} className="py-1.5 text-mute">
                            {t(':n more on the page of the item', { n: flow.length - rows.length })}
                        </td>
                    </tr>
                )}
            </tbody>
        </table>
    );
}

export function Messages({ messages }: { messages: MessageRow[] }) {
    if (messages.length === 0) {
        return null;
    }
    return (
        <>
            <h3 className="mt-3 mb-1 text-xs font-bold text-mute">{t('What the plan says')}</h3>
            <ul className="space-y-1.5">
                {messages.map((message, place) => (
                    <li
                        key={place}
                        className={`rounded px-2.5 py-1.5 text-sm ${['below_safety', 'start_passed', 'late_demand', 'no_capacity'].includes(message.code) ? 'bg-broken-tint' : 'bg-look-tint'}`}
                    >
                        {message.href && !message.href.startsWith('/item') ? (
                            <Link href={message.href} className="hover:underline">
                                {message.text}
                            </Link>
                        ) : (
                            message.text
                        )}
                    </li>
                ))}
            </ul>
        </>
    );
}

export function StructureList({ title, rows, empty }: { title: string; rows: StructureRow[]; empty: string }) {
    return (
        <section className="mb-4">
            <h3 className="mb-1 text-xs font-bold text-mute">{title}</h3>
            {rows.length === 0 ? (
                <p className="text-mute">{empty}</p>
            ) : (
                <ul className="text-sm">
                    {rows.map((row, place) => (
                        <li
                            key={place}
                            className="flex items-baseline gap-2 border-b border-soft py-1"
                            style={{ paddingLeft: (row.level - 1) * 12 }}
                        >
                            <Link href={itemHref(row.item, row.site)} className="font-semibold whitespace-nowrap hover:underline">
                                {row.item}
                            </Link>
                            <span className="min-w-0 flex-1 truncate text-mute" title={row.name}>
                                {row.name}
                            </span>
                            {row.note && <span className="text-xs whitespace-nowrap text-look-ink">{row.note}</span>}
                            <span className="whitespace-nowrap">
                                {qty(row.qty)} <span className="text-mute">{row.unit}</span>
                            </span>
                        </li>
                    ))}
                </ul>
            )}
        </section>
    );
}

export function PlanningData({ facts }: { facts: LabelledValue[] }) {
    return (
        <dl className="text-sm">
            {facts.map((fact) => (
                <div key={fact.label} className="flex justify-between gap-4 border-b border-soft py-1">
                    <dt className="text-mute">{fact.label}</dt>
                    <dd className="text-right font-semibold">{isZero(fact.value) && /^\d/.test(fact.value) ? '0' : fact.value}</dd>
                </div>
            ))}
        </dl>
    );
}

import { Link } from '@inertiajs/react';
import { day, daysBetween, qty } from '@/lib/format';
import type { PromisedItem, PromiseSource } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

const FILLS: Record<PromiseSource['kind'], string> = { stock: 'cover-stock', order: 'cover-order', proposal: 'cover-proposal' };

interface Props {
    item: PromisedItem;
    from: string;
    earliest: string;
}

/** From what a promise comes, on a small time line: each source from when it is begun until it is there, in the textures of the cover. */
export function PromiseLine({ item, from, earliest }: Props) {
    const { plan } = useShared();
    const start = plan.planDate;
    const end = earliest > from ? earliest : from;
    const span = Math.max(1, daysBetween(start, end));
    const at = (iso: string) => Math.min(100, Math.max(0, (100 * daysBetween(start, iso)) / span));
    return (
        <div className="min-w-0 flex-1">
            <div className="relative h-4 border-b border-line text-xs text-mute">
                <span className="absolute left-0">{t('today')}</span>
                {at(from) > 14 && at(from) < 84 && (
                    <span className="absolute -translate-x-1/2 whitespace-nowrap" style={{ left: `${at(from)}%` }}>
                        {t('wished :day', { day: day(from, start) })}
                    </span>
                )}
                <strong className="absolute right-0 text-ink">{day(end, start)}</strong>
            </div>
            <ul>
                {item.sources.map((source, place) => (
                    <li key={place} className="relative mt-1 h-5 text-sm">
                        <span
                            aria-hidden
                            className={`absolute top-1.5 h-2 min-w-[5px] rounded-[1px] ${FILLS[source.kind]}`}
                            style={{
                                left: `${at(source.start ?? start)}%`,
                                width: `${Math.max(0.5, at(source.day) - at(source.start ?? start))}%`,
                            }}
                        />
                        <span
                            className={`absolute top-0 bg-surface px-1.5 whitespace-nowrap ${at(source.day) > 55 ? 'right-full' : ''}`}
                            style={
                                at(source.day) > 55
                                    ? { right: `${100 - at(source.start ?? start)}%` }
                                    : { left: `calc(${at(source.day)}% + 8px)` }
                            }
                        >
                            <strong>
                                {qty(source.qty, item.decimals)} {item.unit}
                            </strong>{' '}
                            {source.href ? (
                                <Link href={source.href} className="hover:underline">
                                    {source.label}
                                </Link>
                            ) : (
                                source.label
                            )}
                            {source.kind !== 'stock' && (
                                <span className="text-mute">, {t('there :day', { day: day(source.day, start) })}</span>
                            )}
                        </span>
                    </li>
                ))}
            </ul>
        </div>
    );
}

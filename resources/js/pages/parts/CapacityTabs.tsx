import { Link } from '@inertiajs/react';
import { t } from '@/lib/t';

/** The views of the shop: how full it is, what runs when, and how that is made anew. */
export function CapacityTabs({ on }: { on: 'load' | 'board' | 'worklist' | 'schedule' }) {
    const tabs = [
        { key: 'load', href: '/capacity', label: t('Load') },
        { key: 'board', href: '/board', label: t('Board') },
        { key: 'worklist', href: '/worklist', label: t('Work lists') },
        { key: 'schedule', href: '/schedule', label: t('Schedule') },
    ];
    return (
        <nav aria-label={t('Capacity')} className="mb-2.5 flex gap-5 border-b border-line">
            {tabs.map((tab) => (
                <Link
                    key={tab.key}
                    href={tab.href}
                    aria-current={tab.key === on ? 'page' : undefined}
                    className={`-mb-px border-b-2 pb-1.5 font-semibold ${tab.key === on ? 'border-act' : 'border-transparent text-mute hover:text-ink'}`}
                >
                    {tab.label}
                </Link>
            ))}
        </nav>
    );
}

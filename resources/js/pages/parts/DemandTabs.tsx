import { Link } from '@inertiajs/react';
import { t } from '@/lib/t';

/** What is wanted: by orders, by forecasts, and what customers ask for. */
export function DemandTabs({ on }: { on: 'sales' | 'forecast' | 'promise' }) {
    const tabs = [
        { key: 'sales', href: '/demand', label: t('Sales orders') },
        { key: 'forecast', href: '/demand?view=forecast', label: t('Forecast') },
        { key: 'promise', href: '/promise', label: t('Promise') },
    ];
    return (
        <nav aria-label={t('Demand')} className="mb-2.5 flex gap-5 border-b border-line">
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

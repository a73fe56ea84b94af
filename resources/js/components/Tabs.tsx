import { Link } from '@inertiajs/react';

interface Props {
    label: string;
    tabs: { key: string; href: string; label: string }[];
    on: string;
}

/** The pages of one area, beside each other. */
export function Tabs({ label, tabs, on }: Props) {
    return (
        <nav aria-label={label} className="mb-2.5 flex gap-5 border-b border-line">
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

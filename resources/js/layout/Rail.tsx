import { Link, usePage } from '@inertiajs/react';
import {
    ChartNoAxesColumn,
    CircleAlert,
    ClipboardList,
    Gauge,
    Library,
    ListChecks,
    PanelLeftClose,
    PanelLeftOpen,
    Sun,
    Table2,
} from 'lucide-react';
import { useState } from 'react';
import { grouped } from '@/lib/digits';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';

const KEPT = 'yposta.rail';

/** The areas, in the order of the work. */
export function Rail() {
    const { url } = usePage();
    const { counts } = useShared();
    const [folded, setFolded] = useState(() => localStorage.getItem(KEPT) === 'folded');
    const areas = [
        { href: '/', label: t('Today'), icon: Sun, on: url === '/' || url.startsWith('/?') },
        { href: '/demand', label: t('Demand'), icon: ChartNoAxesColumn, on: ['/demand', '/promise'].some((path) => url.startsWith(path)) },
        {
            href: '/plan',
            label: t('Plan'),
            icon: Table2,
            on: ['/plan', '/item', '/pegging', '/thread', '/messages'].some((path) => url.startsWith(path)),
        },
        {
            href: '/shortages',
            label: t('Shortages'),
            icon: CircleAlert,
            on: ['/shortages', '/complete', '/reservations'].some((path) => url.startsWith(path)),
        },
        {
            href: '/capacity',
            label: t('Capacity'),
            icon: Gauge,
            on: ['/capacity', '/board', '/worklist', '/schedule'].some((path) => url.startsWith(path)),
        },
        { href: '/proposals', label: t('Proposals'), icon: ListChecks, on: url.startsWith('/proposals'), count: counts.proposals },
        {
            href: '/orders',
            label: t('Orders'),
            icon: ClipboardList,
            on: ['/orders', '/requests', '/chase', '/letters', '/movements', '/count'].some((path) => url.startsWith(path)),
        },
        {
            href: '/data',
            label: t('Data'),
            icon: Library,
            on: ['/data', '/structure', '/costs', '/calendar'].some((path) => url.startsWith(path)),
        },
    ];
    const fold = () => {
        localStorage.setItem(KEPT, folded ? 'open' : 'folded');
        setFolded(!folded);
    };
    return (
        <nav aria-label={t('Areas')} className={`flex shrink-0 flex-col border-r border-line bg-sunk ${folded ? 'w-12' : 'w-[172px]'}`}>
            <Link href="/" className="flex h-12 items-center gap-2 px-3.5 text-lg font-bold" aria-label={t('Yposta, to Today')}>
                <Mark />
                {!folded && 'Yposta'}
            </Link>
            <ul className="mt-0.5">
                {areas.map(({ href, label, icon: Icon, on, count }) => (
                    <li key={href}>
                        <Link
                            href={href}
                            aria-current={on ? 'page' : undefined}
                            title={folded ? label : undefined}
                            className={`flex h-[33px] items-center gap-3 border-l-[3px] px-3 font-semibold ${on ? 'border-act bg-paper' : 'border-transparent hover:bg-paper/60'}`}
                        >
                            <Icon size={16} className={on ? 'text-act' : 'text-mute'} aria-hidden />
                            {!folded && <span className="flex-1">{label}</span>}
                            {!folded && count !== undefined && count > 0 && (
                                <span className="text-sm font-normal text-mute">{grouped(count)}</span>
                            )}
                        </Link>
                    </li>
                ))}
            </ul>
            <button
                type="button"
                onClick={fold}
                className="mt-auto flex h-11 items-center gap-2 px-4 text-sm text-mute hover:text-ink"
                aria-label={folded ? t('Unfold') : undefined}
            >
                {folded ? <PanelLeftOpen size={16} aria-hidden /> : <PanelLeftClose size={16} aria-hidden />}
                {!folded && t('Fold')}
            </button>
        </nav>
    );
}

/** The mark is a cover strip: stock, order, proposal. */
export function Mark() {
    return (
        <span className="flex h-3 w-6 gap-px" aria-hidden>
            <span className="cover-stock w-2.5" />
            <span className="cover-order w-2" />
            <span className="cover-proposal w-1.5" />
        </span>
    );
}

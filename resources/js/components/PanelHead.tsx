import { Link } from '@inertiajs/react';
import { ExternalLink, X } from 'lucide-react';
import { t } from '@/lib/t';

/** The heading of the inspector: what it shows, the way to its own page, and away. */
export function PanelHead({ title, href, onClose }: { title: string; href?: string; onClose: () => void }) {
    return (
        <div className="flex items-start gap-2">
            <h2 className="flex-1 text-lg leading-tight font-bold">{title}</h2>
            {href && (
                <Link href={href} aria-label={t('Open :item as a page', { item: title })} className="p-1 text-mute hover:text-ink">
                    <ExternalLink size={16} aria-hidden />
                </Link>
            )}
            <button type="button" onClick={onClose} aria-label={t('Close')} className="p-1 text-mute hover:text-ink">
                <X size={16} aria-hidden />
            </button>
        </div>
    );
}

import { CircleAlert, CircleCheck, X } from 'lucide-react';
import { useEffect, useRef, type ReactNode } from 'react';
import { t } from '@/lib/t';

/** A sentence about what has just happened, where it happened; stays until it is put away. */
export function Notice({ tone, onClose, children }: { tone: 'done' | 'broken'; onClose?: () => void; children: ReactNode }) {
    const sees = useRef<HTMLDivElement>(null);
    // what was pressed may stand far below where it is said
    useEffect(() => {
        sees.current?.scrollIntoView?.({ block: 'nearest' });
    }, []);
    const Icon = tone === 'done' ? CircleCheck : CircleAlert;
    return (
        <div
            ref={sees}
            role={tone === 'broken' ? 'alert' : 'status'}
            className={`mb-3 flex items-start gap-2 rounded border px-3 py-2 ${tone === 'done' ? 'border-act bg-act-tint' : 'border-broken bg-broken-tint'}`}
        >
            <Icon size={16} className={`mt-0.5 shrink-0 ${tone === 'done' ? 'text-act' : 'text-broken'}`} aria-hidden />
            <div className="min-w-0 flex-1">{children}</div>
            {onClose && (
                <button type="button" onClick={onClose} aria-label={t('Put away')} className="text-mute hover:text-ink">
                    <X size={16} aria-hidden />
                </button>
            )}
        </div>
    );
}

import { Link } from '@inertiajs/react';
import type { Link as Target } from '@/lib/shapes';

/** Something by its name, with the way to it where it has a page. */
export function MaybeLink({ to, className = 'hover:underline', tabIndex }: { to: Target; className?: string; tabIndex?: number }) {
    return to.href ? (
        <Link href={to.href} className={className} tabIndex={tabIndex}>
            {to.label}
        </Link>
    ) : (
        <>{to.label}</>
    );
}

import { Button } from '@/components/Button';
import { t } from '@/lib/t';
import { usePageKeys } from '@/lib/usePageKeys';

/** Says that a picture stops early, and goes on at a press or at the key M. */
export function GoOn({ shown, onGoOn }: { shown: number; onGoOn: () => void }) {
    usePageKeys({ m: onGoOn });
    return (
        <p className="mt-2 flex items-center gap-3 text-mute" role="status">
            {t('It goes on: only the first :n rows are shown.', { n: shown })}
            <Button onClick={onGoOn}>
                {t('Go on')}
                <kbd className="rounded border border-line bg-paper px-1.5 font-sans text-xs text-mute">M</kbd>
            </Button>
        </p>
    );
}

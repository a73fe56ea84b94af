import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Button } from '@/components/Button';
import { t } from '@/lib/t';

/** Asks before ordering a quantity that is far from what is needed. */
export function AbsurdDialog({ lines, onSure, onBack }: { lines: string[]; onSure: () => void; onBack: () => void }) {
    return (
        <Dialog open onClose={onBack} className="relative z-50">
            <div className="fixed inset-0 bg-ink/30" aria-hidden />
            <div className="fixed inset-0 flex items-center justify-center p-6">
                <DialogPanel className="w-[440px] rounded border border-look bg-surface p-5">
                    <DialogTitle className="text-lg font-bold">{t('Is this quantity meant?')}</DialogTitle>
                    <ul className="mt-2 mb-1">
                        {lines.map((line) => (
                            <li key={line} className="font-semibold">
                                {line}
                            </li>
                        ))}
                    </ul>
                    <p className="mb-4 text-mute">{t('Nothing has been ordered yet.')}</p>
                    <div className="flex justify-end gap-2">
                        <Button onClick={onBack} autoFocus>
                            {t('Back to the list')}
                        </Button>
                        <Button look="act" onClick={onSure}>
                            {t('Order it so')}
                        </Button>
                    </div>
                </DialogPanel>
            </div>
        </Dialog>
    );
}

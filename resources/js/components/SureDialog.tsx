import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Button } from '@/components/Button';
import { type Sentence, t } from '@/lib/t';

interface Props {
    /** Where it is another question than whether a quantity is meant. */
    title?: Sentence;
    lines: string[];
    /** That nothing has been done yet. */
    note: Sentence;
    /** What is done if it is meant. */
    yes: Sentence;
    onSure: () => void;
    onBack: () => void;
}

/** Asks whether something is meant before it is done: a quantity that is far from what is needed, or what cannot be taken back. */
export function SureDialog({ title = 'Is this quantity meant?', lines, note, yes, onSure, onBack }: Props) {
    return (
        <Dialog open onClose={onBack} className="relative z-50">
            <div className="fixed inset-0 bg-ink/30" aria-hidden />
            <div className="fixed inset-0 flex items-center justify-center p-6">
                <DialogPanel className="w-[440px] rounded border border-look bg-surface p-5">
                    <DialogTitle className="text-lg font-bold">{t(title)}</DialogTitle>
                    <ul className="mt-2 mb-1">
                        {lines.map((line) => (
                            <li key={line} className="font-semibold">
                                {line}
                            </li>
                        ))}
                    </ul>
                    <p className="mb-4 text-mute">{t(note)}</p>
                    <div className="flex justify-end gap-2">
                        <Button onClick={onBack} autoFocus>
                            {t('Go back')}
                        </Button>
                        <Button look="act" onClick={onSure}>
                            {t(yes)}
                        </Button>
                    </div>
                </DialogPanel>
            </div>
        </Dialog>
    );
}

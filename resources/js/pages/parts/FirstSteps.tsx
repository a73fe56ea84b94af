import { Link, router } from '@inertiajs/react';
import { Check, Circle } from 'lucide-react';
import { Button } from '@/components/Button';
import { grouped } from '@/lib/digits';
import { postJson } from '@/lib/http';
import type { FirstStep, Told } from '@/lib/shapes';
import { useShared } from '@/lib/shared';
import { t } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';

interface Props {
    steps: FirstStep[];
    mayLoadDemo: boolean;
}

/** From nothing to a first plan: what is brought in which order, how far it is, and each way to bring it. */
export function FirstSteps({ steps, mayLoadDemo }: Props) {
    const { user } = useShared();
    const may = user.can.includes('change data');
    const demo = useCommand(
        () => postJson<Told>('/company/demo', {}),
        () => router.reload(),
    );
    const next = steps.findIndex((step) => !step.isDone && step.isNeeded);
    return (
        <section aria-label={t('To the first plan')} className="max-w-[860px]">
            <p className="mb-3 text-mute">
                {t('Bring what you have, in this order: pasted from a spreadsheet, from a file, or by hand. Then press Run above.')}
            </p>
            <ol className="rounded border border-line bg-surface">
                {steps.map((step, place) => (
                    <li
                        key={step.title}
                        className={`flex items-start gap-3 border-b border-soft px-3 py-2.5 last:border-0 ${place === next ? 'bg-act-tint' : ''}`}
                    >
                        {step.isDone ? (
                            <Check size={18} className="mt-0.5 shrink-0 text-act" aria-label={t('done')} />
                        ) : (
                            <Circle size={18} className="mt-0.5 shrink-0 text-mute" aria-label={t('open')} />
                        )}
                        <div className="min-w-0 flex-1">
                            <h2 className="font-bold">
                                {step.title} {!step.isNeeded && <span className="ml-1 text-sm font-normal text-mute">{t('can wait')}</span>}
                            </h2>
                            <p className="text-sm text-mute">{step.why}</p>
                        </div>
                        <ul className="w-[400px] shrink-0">
                            {step.kinds.map((kind) => (
                                <li key={kind.kind} className="flex items-center gap-3 text-sm">
                                    <Link href={`/data?kind=${kind.kind}`} className="flex-1 hover:underline">
                                        {kind.title}
                                    </Link>
                                    <strong className="w-12 text-right">{kind.count === 0 ? '' : grouped(kind.count)}</strong>
                                    {may && (
                                        <>
                                            <Link
                                                href={`/data?kind=${kind.kind}&opens=bring`}
                                                className="font-semibold text-act hover:underline"
                                            >
                                                {t('paste or file')}
                                            </Link>
                                            {kind.kind === 'stock' ? (
                                                <span className="w-14" />
                                            ) : (
                                                <Link
                                                    href={`/data?kind=${kind.kind}&opens=new`}
                                                    className="w-14 text-right font-semibold text-act hover:underline"
                                                >
                                                    {t('by hand')}
                                                </Link>
                                            )}
                                        </>
                                    )}
                                </li>
                            ))}
                        </ul>
                    </li>
                ))}
            </ol>
            {mayLoadDemo && (
                <p className="mt-4 flex items-center gap-3 text-sm">
                    <span className="text-mute">{t('To look around first, with made-up data that can be taken away again:')}</span>
                    <Button disabled={demo.busy} onClick={() => demo.send(undefined)}>
                        {demo.busy ? t('Bringing it in ...') : t('Bring the demo company in')}
                    </Button>
                </p>
            )}
            {demo.trouble && (
                <p role="alert" className="mt-2 font-semibold text-broken">
                    {demo.trouble}
                </p>
            )}
        </section>
    );
}

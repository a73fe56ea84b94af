import { router } from '@inertiajs/react';
import { useState } from 'react';
import { Empty } from '@/components/Empty';
import { Notice } from '@/components/Notice';
import { PageHead } from '@/components/PageHead';
import { useDraft } from '@/lib/draft';
import { postJson } from '@/lib/http';
import type { PromisePage, PromiseReply, Told } from '@/lib/shapes';
import { t, tn } from '@/lib/t';
import { useCommand } from '@/lib/useCommand';
import { DemandTabs } from '@/pages/parts/DemandTabs';
import { HeldPromises } from '@/pages/parts/HeldPromises';
import { PromiseAnswer } from '@/pages/parts/PromiseAnswer';
import { PromiseForm, type Asked } from '@/pages/parts/PromiseForm';

/** When customers can have what they ask for: asked, held, accepted, dropped. */
export default function AskPromise({ subject, held, allHeld, item, planned, may }: PromisePage) {
    const draft = useDraft();
    const [asked, setAsked] = useState<Asked | null>(null);
    const [told, setTold] = useState<string | null>(null);
    const [round, setRound] = useState(0); // once it is promised, nothing is left that could be promised again
    const ask = useCommand((wishes: Asked) => postJson<PromiseReply>('/promise/answer', sentOf(wishes)));
    const start = (wishes: Asked) => {
        setTold(null);
        setAsked(wishes);
        ask.send(wishes);
    };
    const done = ({ message }: Told) => {
        setTold(message);
        setRound((old) => old + 1);
        ask.clear();
        router.get('/promise', {}, { preserveState: true, replace: true, only: ['subject', 'held', 'allHeld'] });
    };
    return (
        <>
            <PageHead title={t('Promise')}>
                {allHeld === 0
                    ? t('Nothing is held for a customer')
                    : tn('1 line is held for a customer', ':n lines are held for customers', allHeld)}
            </PageHead>
            <DemandTabs on="promise" />
            {!planned ? (
                <Empty title={t('Nothing has been planned yet')}>{t('Press Run above; the plan will stand here.')}</Empty>
            ) : (
                <>
                    {told && (
                        <Notice tone="done" onClose={() => setTold(null)}>
                            {told}.
                        </Notice>
                    )}
                    {ask.trouble && <Notice tone="broken">{ask.trouble}</Notice>}
                    <PromiseForm
                        key={`${subject?.reference ?? item?.of ?? ''} ${round}`}
                        subject={subject}
                        item={item}
                        busy={ask.busy}
                        drafted={draft.state.lines.length > 0}
                        onAsk={start}
                    />
                    {ask.busy && (
                        <p role="status" className="my-4 text-mute">
                            {t('Trying one working day after the other, with everything else that is planned ...')}
                        </p>
                    )}
                    {asked && ask.answer && !ask.busy && (
                        <PromiseAnswer
                            key={JSON.stringify([asked, ask.answer])}
                            asked={asked}
                            answer={ask.answer}
                            may={may}
                            onDone={done}
                            onAskAgain={() => ask.send(asked)}
                        />
                    )}
                    <HeldPromises held={held} total={allHeld} may={may} onDone={done} />
                </>
            )}
        </>
    );
}

function sentOf({ wishes, wished, together, regardless, capacity, of }: Asked) {
    return {
        wishes: wishes.map(({ item, site, qty }) => ({ item, site, qty })),
        wished,
        together,
        regardless,
        capacity,
        of,
    };
}

<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Run;
use App\Models\User;
use App\Planning\ChangeRights;
use App\Planning\Dates;
use App\Planning\PutOffs;
use App\Planning\RunProposals;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\ProposalOrigin;
use Yposta\Core\Support\Phrase;

/** Puts proposals off until a day, with a reason, and takes them up again. The plan stays as it is. */
final readonly class PutOffProposals
{
    /** A longer time is no putting off. */
    private const MOST_DAYS = 366;

    /** Proposals that are named. */
    private const NAMED = 5;

    /**
     * @param  list<int>  $numbers  of proposals of the run
     * @param  string  $until  ISO date on which they come back
     * @return array<string, mixed> Told
     *
     * @throws Refused without a reason or a day to come, when one was ordered or rests, or the person could not order it
     */
    public function __invoke(int $run, array $numbers, string $until, string $reason, string $key, User $by): array
    {
        $reason === '' && throw Refused::because('put_off.reason', [], 'reason');

        return Idempotency::once($key, 'put_off', $by, function () use ($run, $numbers, $until, $reason, $by): array {
            WriteTurn::take();
            $live = $this->live($run);
            try {
                $day = Day::parse($until);
            } catch (InvalidDay $trouble) {
                throw Refused::because('put_off.day', ['trouble' => $trouble->phrase()], 'date');
            }
            $days = $day - Day::parse($live->plan_date);
            $days >= 1 && $days <= self::MOST_DAYS || throw Refused::because('put_off.days', ['most' => self::MOST_DAYS], 'date');
            $proposals = $this->proposals($live, $numbers, $by);
            $this->areOpen($live, $numbers);
            PutOffs::rest($run, $proposals, (new Dates)->iso($day), $reason, $by);
            $said = Words::say(new Phrase('journal.put_off', [
                'count' => $proposals->count(), 'what' => $this->named($proposals), 'until' => new Date($day), 'reason' => $reason,
            ]));
            Journal::note('put_off', $said, $by);

            return get_object_vars(new Told("{$said}."));
        });
    }

    /**
     * @param  list<int>  $numbers
     * @return array<string, mixed> Told
     *
     * @throws Refused when one does not rest, or the person could not order it
     */
    public function takeUp(int $run, array $numbers, string $key, User $by): array
    {
        return Idempotency::once($key, 'take_up', $by, function () use ($run, $numbers, $by): array {
            WriteTurn::take();
            $proposals = $this->proposals($this->live($run), $numbers, $by);
            DB::table('resting_proposals')->where('run_id', $run)->whereIn('proposal', $numbers)->count() === $proposals->count()
                || throw Refused::because('put_off.not_resting', [], 'stale');
            PutOffs::wake($run, $numbers);
            $said = Words::say(new Phrase('journal.taken_up', ['count' => $proposals->count(), 'what' => $this->named($proposals)]));
            Journal::note('put_off', $said, $by);

            return get_object_vars(new Told("{$said}."));
        });
    }

    private function live(int $run): Run
    {
        $live = Run::live();

        return $live !== null && $live->id === $run ? $live : throw Refused::because('put_off.newer_plan', [], 'stale');
    }

    /**
     * @param  list<int>  $numbers
     * @return Collection<int, stdClass>
     */
    private function proposals(Run $run, array $numbers, User $by): Collection
    {
        $names = array_map(strval(...), array_values(array_unique($numbers)));
        $found = DB::table('plan_supplies as s')
            ->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
            ->join('items as i', 'i.code', '=', 'p.item_code')
            ->where('s.run_id', $run->id)->where('s.kind', 'proposal')->whereIn('s.name', $names)->orderBy('s.n')
            ->get(['s.name', 's.type', 's.qty', 's.due', 'p.item_code', 'p.site_code', 'i.unit']);
        $names !== [] && $found->count() === count($names) || throw Refused::because('put_off.unknown', [], 'stale');
        foreach ($found->pluck('type')->unique() as $kind) {
            $by->can(ChangeRights::ofKind(OrderKind::from((string) $kind))) || throw Refused::because('put_off.forbidden', [], 'forbidden');
        }

        return $found;
    }

    /** @param  list<int>  $numbers */
    private function areOpen(Run $run, array $numbers): void
    {
        $taken = RunProposals::converted(array_map(fn (int $number) => new ProposalOrigin($run->id, $number), $numbers))->first();
        $taken === null || throw Refused::because('put_off.ordered', ['order' => (string) $taken->order], 'stale');
        DB::table('resting_proposals')->where('run_id', $run->id)->whereIn('proposal', $numbers)->doesntExist()
            || throw Refused::because('put_off.resting', [], 'stale');
    }

    /** @param  Collection<int, stdClass>  $proposals */
    private function named(Collection $proposals): string
    {
        return $proposals->take(self::NAMED)->map(fn (stdClass $row) => Words::say(new Phrase('journal.put_off_of', [
            'qty' => new Amount((int) $row->qty, (string) $row->unit), 'item' => (string) $row->item_code,
        ])))->implode(', ').($proposals->count() > self::NAMED ? ', …' : '');
    }
}

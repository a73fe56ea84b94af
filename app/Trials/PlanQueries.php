<?php

declare(strict_types=1);

namespace App\Trials;

use App\Models\Draft;
use App\Models\Run;
use App\Models\User;
use App\Planning\DraftLines;
use App\Planning\NetworkReader;
use App\Planning\NewCodes;
use App\Planning\RowFingerprints;
use App\Planning\RunProposals;
use App\Reading\Figures;
use App\Reading\ForecastView;
use App\Reading\GridFigure;
use App\Reading\Shapes\ConversionDelays;
use App\Reading\Shapes\DraftAnswer;
use App\Reading\Shapes\DraftedBalances;
use App\Reading\Shapes\GrossRows;
use App\Reading\Shapes\ResolvedNeeds;
use App\Reading\Shapes\WhyChanges;
use App\Reading\StoredPlan;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use App\Trials\Views\AvailabilityView;
use App\Trials\Views\BalanceView;
use App\Trials\Views\BoardGround;
use App\Trials\Views\BoardMoves;
use App\Trials\Views\BoardPickView;
use App\Trials\Views\BoardView;
use App\Trials\Views\DraftEffects;
use App\Trials\Views\LoadCellView;
use App\Trials\Views\LoadView;
use App\Trials\Views\OutlookView;
use App\Trials\Views\PromiseView;
use App\Trials\Views\ReliefView;
use App\Trials\Views\RemedyView;
use App\Trials\Views\ReservationView;
use App\Trials\Views\ResolveAll;
use App\Trials\Views\ShortageView;
use App\Trials\Views\TrialPresenter;
use App\Trials\Views\WhyView;
use App\Trials\Views\WithoutHoldUp;
use App\Trials\Views\WorkListView;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Conversion\DelayCheck;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Promise\PromiseGround;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reservation\Reservations;
use Yposta\Core\Scheduling\FullPeriod;
use Yposta\Core\Shortage\MissingParts;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\FarOff;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Trial\Trial;

/**
 * All that can be asked of the live plan. Questions and answers are plain values, so that they can be asked in the process that keeps the
 * plan ready as well as in one's own.
 *
 * @phpstan-type Lines list<array{changes: list<array<string, mixed>>}>
 */
final readonly class PlanQueries
{
    public function __construct(private LivePlan $plan, private DraftEffects $draft)
    {
    }

    /**
     * @param  array<mixed>  $arguments  of the question's method, by name
     * @param  callable(array<mixed>): mixed  $tell  is told what is found on the way, where the question tells
     * @return array<mixed>
     *
     * @throws Refused
     */
    public function answer(PlanQuestion $question, array $arguments, callable $tell): array
    {
        $this->plan->look();

        return $this->{$question->value}(...$arguments, ...($question->tells() ? ['tell' => $tell] : []));
    }

    /**
     * Makes the plan ready for what will be asked, if there is one.
     *
     * @param  bool  $toPromise  whether that for promises, too, where nothing is tried in this process
     * @return array{ready: bool}
     */
    public function ready(bool $toPromise = false): array
    {
        $this->plan->look();
        $toPromise && $this->plan->readyToPromise();

        return ['ready' => $this->plan->trouble() === null];
    }

    /**
     * A person's draft as the tray shows it.
     *
     * @return array<string, mixed> a DraftAnswer
     */
    public function tray(int $user): array
    {
        $person = User::query()->findOrFail($user);
        $draft = Draft::of($person);

        return get_object_vars(new DraftAnswer($this->draft->of($draft, $person), $this->draft->marks($draft)));
    }

    /**
     * Whether there is a plan with a draft's lines, if there is one without them.
     *
     * @param  Lines  $lines
     * @return array{countable: true}
     *
     * @throws Refused when there is not
     */
    public function countable(array $lines): array
    {
        $this->plan->trouble() === null && $this->plan->drafted(DraftLines::changes($lines), fn (Trial $trial) => null);

        return ['countable' => true];
    }

    /**
     * Whether changes fit on top of a draft: with free codes for new orders, and what the rows that they touch look like now.
     *
     * @param  Lines  $lines
     * @param  list<array<mixed>>  $changes
     * @return array{changes: list<array<string, mixed>>, seen: array<string, string>, far: list<string>, lacks: list<string>} and what is far from what stood there, and what orders lack that are released
     *
     * @throws Refused when they do not
     */
    public function fit(array $lines, array $changes): array
    {
        $seen = RowFingerprints::by(array_map(ChangeCodec::decode(...), $changes), $this->plan->network());
        $drafted = DraftLines::changes($lines);
        $network = $this->plan->networkWith($drafted);
        $fresh = NewCodes::fresh($this->withOrigins(array_map(ChangeCodec::decode(...), $changes), $drafted), $network);
        $fresh = [...$fresh, ...$this->heldOnRelease($fresh, $drafted)];
        try {
            $far = [];
            foreach ($fresh as $change) {
                $before = $network;
                $network = SoundChange::apply($change, $network);
                array_push($far, ...FarOff::of($change, $before, $network));
            }
        } catch (DoesNotFit $trouble) {
            throw Refused::because('draft.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }

        return [
            'changes' => array_map(fn (Change $change) => ChangeCodec::encode($change), $fresh), 'seen' => $seen,
            'far' => array_map(fn (FarOff $one) => $this->farOff($one, $network), $far), 'lacks' => $this->lacks($fresh, $drafted),
        ];
    }

    /**
     * What orders that are released do not find on hand, and the work centres that have no room for them.
     *
     * @param  list<Change>  $changes
     * @param  list<list<Change>>  $drafted
     * @return list<string>
     */
    private function lacks(array $changes, array $drafted): array
    {
        $released = array_filter($changes, fn (Change $change) => $change instanceof ReleaseOrder && $change->released);
        if ($released === [] || $this->plan->trouble() !== null) {
            return [];
        }

        return $this->plan->drafted($drafted, fn (Trial $trial) => $trial->with([], function (Plan $plan) use ($released, $trial): array {
            $presenter = new TrialPresenter($trial->network(), $this->today());
            $said = [];
            foreach (FullPeriod::of($plan, array_map(fn (ReleaseOrder $change) => $change->order, array_values($released))) as $full) {
                $said[] = Words::say(new Phrase('refused.draft.lacks_room', [
                    'order' => $full->order, 'centre' => $full->centre, 'day' => $presenter->day($full->from), 'percent' => $full->percent,
                ]));
            }
            foreach ($released as $change) {
                foreach (MissingParts::of($plan, $change->order) as $part) {
                    $item = $plan->structure->points[$part->need->point]->item->code;
                    $said[] = Words::say(new Phrase($part->brings === null ? 'refused.draft.lacks_nothing_comes' : 'refused.draft.lacks_line', [
                        'order' => $change->order, 'item' => $item, 'qty' => $presenter->quantity($part->missing, $item),
                        'supply' => $part->brings === null ? '' : $presenter->supply($part->brings),
                        'day' => $part->brings === null ? '' : $presenter->day($part->brings->available),
                    ]));
                }
            }

            return $said;
        }));
    }

    private function farOff(FarOff $one, Network $network): string
    {
        $unit = $network->items[$one->item]->unit;

        return Words::say(new Phrase('refused.draft.far_line', [
            'item' => $one->item, 'before' => new Amount($one->before, $unit), 'after' => new Amount($one->after, $unit),
        ]));
    }

    /**
     * Orders that are made of proposals say of which; none stands for two lines of a draft.
     *
     * @param  list<Change>  $changes
     * @param  list<list<Change>>  $drafted
     * @return list<Change>
     */
    private function withOrigins(array $changes, array $drafted): array
    {
        $taken = [];
        foreach (array_merge(...$drafted) as $change) {
            $change instanceof PutOrder && $change->from !== null && $taken[] = $change->from;
        }
        $proposals = RunProposals::live();
        foreach ($changes as $place => $change) {
            if ($change instanceof PutOrder && $change->from !== null) {
                $from = $proposals->standing($change->from, $taken);
                $from === null || $taken[] = $from;
                $changes[$place] = new PutOrder($change->order, $change->rows, $from);
            }
        }

        return $changes;
    }

    /**
     * Whom converting some proposals and leaving others would make late, and which to take along to prevent it.
     *
     * @param  list<array<string, mixed>>  $changes
     * @return array<string, mixed> ConversionDelays
     */
    public function conversion(array $changes): array
    {
        $chosen = array_values(array_filter(
            array_map(ChangeCodec::decode(...), $changes),
            fn (Change $change) => $change instanceof PutOrder,
        ));
        $trial = $this->plan->live();
        try {
            $delays = (new DelayCheck($trial, RunProposals::live()))->of($chosen);
        } catch (DoesNotFit $trouble) {
            throw Refused::because('trial.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }
        $presenter = new TrialPresenter($trial->network(), $this->today());

        return get_object_vars(new ConversionDelays(
            array_map($presenter->arrivalChange(...), $delays->lines),
            array_map($presenter->along(...), $delays->along),
            count($delays->left),
        ));
    }

    /**
     * By rule an order that is released holds what the plan gives it; an installation can leave that to its people. A transfer takes it
     * along.
     *
     * @param  list<Change>  $changes
     * @param  list<list<Change>>  $drafted
     * @return list<Change>
     */
    private function heldOnRelease(array $changes, array $drafted): array
    {
        $released = [];
        $orders = $this->plan->network()->orders;
        foreach ($changes as $change) {
            $isTransfer = $change instanceof ReleaseOrder && ($orders[$change->order]->kind ?? null) === OrderKind::Transfer;
            $change instanceof ReleaseOrder && $change->released && ! $isTransfer
                && $released[] = (string) Reference::order($change->order);
        }

        return $released === [] || $this->plan->trouble() !== null || Settings::get(Settings::HOLD_ON_RELEASE, true) !== true ? []
            : $this->plan->drafted($drafted, fn (Trial $trial) => $trial->with([], fn (Plan $plan) => $this->offered($plan, $released)));
    }

    /**
     * What rows look like in the live data.
     *
     * @param  list<string>  $names  see {@see RowFingerprints}
     * @return array<string, string>
     */
    public function look(array $names): array
    {
        return RowFingerprints::look($names, $this->plan->network());
    }

    /**
     * The needs of a window.
     *
     * @param  Lines  $lines
     * @param  array{days: int, site?: string, from?: string, to?: string, state?: string, by?: string, q?: string, offset?: int, open?: string}  $filter  a ShortageFilter
     * @return array<string, mixed> a ShortageList
     */
    public function shortages(array $lines, array $filter): array
    {
        return get_object_vars($this->plan->drafted(
            DraftLines::changes($lines),
            fn (Trial $trial) => ShortageView::of(
                $trial, Settings::get(Settings::COUNT_UNSENT, true) === true, new ShortageFilter(...$filter),
            ),
        ));
    }

    /**
     * What could be done about a need.
     *
     * @param  Lines  $lines
     * @param  callable(array<string, mixed>): void  $tell  is told each as it is found, a FoundRemedy
     * @return array{found: int}
     */
    public function remedies(array $lines, string $identity, string $item, callable $tell): array
    {
        $undrafted = $lines === [] ? null : $this->plan->network();

        return $this->plan->drafted(DraftLines::changes($lines), function (Trial $trial) use ($identity, $tell, $undrafted): array {
            $found = 0;
            foreach ((new RemedyView($trial, $this->today(), RunProposals::live(), $undrafted))->of($identity) as $one) {
                $tell(get_object_vars($one));
                $found++;
            }

            return ['found' => $found];
        });
    }

    /**
     * @param  Lines  $lines
     * @param  list<array{identity: string, item: string}>  $needs
     * @return array<string, mixed> ResolvedNeeds
     */
    public function resolve(array $lines, array $needs): array
    {
        return get_object_vars(new ResolvedNeeds(
            $this->plan->drafted(DraftLines::changes($lines), fn (Trial $trial) => (new ResolveAll)($trial, $needs)),
        ));
    }

    /**
     * @param  Lines  $lines
     * @param  string|null  $due  an ISO date
     * @return array<string, mixed> an AvailabilityAnswer
     */
    public function availability(array $lines, string $subject, ?string $qty, ?string $due): array
    {
        return get_object_vars($this->asked($lines, $subject, fn (AvailabilityView $view) => $view->answer($qty, $this->day($due))));
    }

    /**
     * @param  Lines  $lines
     * @return array<string, mixed> an EarliestDay
     */
    public function earliest(array $lines, string $subject, ?string $qty): array
    {
        return get_object_vars($this->asked($lines, $subject, fn (AvailabilityView $view) => $view->earliest($qty)));
    }

    /**
     * @param  Lines  $lines
     * @return array<string, mixed> a PossibleQuantity
     */
    public function possible(array $lines, string $subject, ?string $due): array
    {
        $day = $this->day($due) ?? $this->today();

        return get_object_vars($this->asked($lines, $subject, fn (AvailabilityView $view) => $view->possible($day)));
    }

    /**
     * @param  Lines  $lines
     * @return array<string, mixed> GrossRows
     */
    public function parts(array $lines, string $subject, ?string $qty, ?string $due): array
    {
        return get_object_vars(new GrossRows(
            $this->asked($lines, $subject, fn (AvailabilityView $view) => $view->gross($qty, $this->day($due))),
        ));
    }

    /**
     * When a sales line would be there if something came in time, in the live data alone.
     *
     * @param  string  $line  its reference
     * @param  list<array<string, mixed>>  $changes  that make it come in time
     * @return array<string, mixed> a ThreadWithout
     */
    public function without(string $line, array $changes): array
    {
        $decoded = array_map(ChangeCodec::decode(...), $changes);
        try {
            return get_object_vars(WithoutHoldUp::of($this->plan->live(), $line, $decoded));
        } catch (DoesNotFit $trouble) {
            throw Refused::because('trial.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }
    }

    /**
     * Why a figure of the live plan is another than in the plan before.
     *
     * @param  value-of<WhyView::FIGURES>  $figure
     * @return array<string, mixed> WhyAnswer
     */
    public function why(string $figure): array
    {
        return get_object_vars(WhyView::of(...[...self::twoPlans(), $figure]));
    }

    /**
     * Why a sales line, or a line of a job, is late by other days than in the plan before.
     *
     * @param  string  $line  reference
     * @return array<string, mixed> WhyAnswer
     */
    public function whyLine(string $line): array
    {
        $reference = Reference::tryParse($line) ?? throw Refused::because('why.no_line', [], 'no line');

        return get_object_vars(WhyView::ofLine(...[...self::twoPlans(), $reference]));
    }

    /**
     * Why another quantity of what a proposal is for is proposed up to its day than in the plan before.
     *
     * @return array<string, mixed> WhyAnswer
     */
    public function whyProposal(int $number): array
    {
        [$now, $before] = self::twoPlans();
        $plan = new StoredPlan($now);
        $one = $plan->proposals([$number])[$number] ?? throw Refused::because('why.no_proposal', [], 'no proposal');
        $point = $plan->pointOf($one->point);

        return get_object_vars(WhyView::ofProposals($now, $before, $point->item, $point->site, $one->due));
    }

    /**
     * What was written between the live plan and the one before, with what each change did to all figures.
     *
     * @return array<string, mixed> WhyChanges
     */
    public function whyAll(): array
    {
        return get_object_vars(new WhyChanges(WhyView::causes(...self::twoPlans())));
    }

    /**
     * @return array{Run, Run} the live plan and the one before
     *
     * @throws Refused when there are not both
     */
    private static function twoPlans(): array
    {
        $now = Run::live() ?? throw Refused::because('plan.none', [], 'no plan');

        return [$now, Figures::before($now) ?? throw Refused::because('why.forgotten', [], 'forgotten')];
    }

    /**
     * An item of a forecast over time.
     *
     * @param  value-of<BucketSize>|null  $size  in which it is shown; null for what the forecast is kept in
     * @return array<string, mixed> ForecastOutlook
     */
    public function outlook(string $forecast, string $item, string $site, ?string $size): array
    {
        $view = new ForecastView(app(NetworkReader::class), $forecast, $size === null ? null : BucketSize::from($size));

        return get_object_vars((new OutlookView($this->plan, $view))->of($forecast, $item, $site));
    }

    /**
     * The balances that a draft changes, by point and first day of the period, as decimals.
     *
     * @param  Lines  $lines
     * @param  list<string>  $points  by {@see \Yposta\Core\Network\Network::key()}
     * @param  string  $bucket  day, week or month
     * @param  value-of<GridFigure>  $show
     * @return array<string, mixed> DraftedBalances
     */
    public function balances(array $lines, array $points, string $bucket, bool $asExpected, string $show): array
    {
        $view = new BalanceView(BucketSize::from($bucket), $asExpected, GridFigure::from($show));
        $read = function (Trial $trial) use ($view, $points): array {
            $presenter = new TrialPresenter($trial->network(), $this->today());

            return $trial->with([], fn (Plan $plan) => $view->of($plan, $points, $presenter));
        };

        return get_object_vars(new DraftedBalances(
            BalanceView::changed($read($this->plan->live()), $this->plan->drafted(DraftLines::changes($lines), $read)),
        ));
    }

    /**
     * What is held for whom, see {@see ReservationFilter}.
     *
     * @param  value-of<\App\Reading\Shapes\HoldStatus>|''  $status
     * @return array<string, mixed> a ReservationList
     */
    public function reservations(
        string $site,
        bool $held,
        string $status,
        bool $there,
        string $q,
        int $rows = ReservationFilter::ROWS,
    ): array {
        return get_object_vars(ReservationView::of($this->plan->live(), new ReservationFilter($site, $held, $status, $there, $q, $rows)));
    }

    /**
     * How full work centres are.
     *
     * @param  Lines  $lines
     * @param  array{bucket?: value-of<BucketSize>, from?: string, site?: string, kind?: string, q?: string, over?: bool}  $filter  a LoadFilter
     * @param  array<string, mixed>  $parameters  of a study that is looked at
     * @return array<string, mixed> a LoadTable
     */
    public function load(array $lines, array $filter, array $parameters = []): array
    {
        return get_object_vars($this->plan->drafted(
            DraftLines::changes($lines), fn (Trial $trial) => LoadView::table($trial, new LoadFilter(...$filter)), $parameters,
        ));
    }

    /**
     * What fills a work centre in the day, week or month of a day.
     *
     * @param  Lines  $lines
     * @param  value-of<BucketSize>  $bucket
     * @param  array<string, mixed>  $parameters  of a study that is looked at
     * @return array<string, mixed> a LoadAnswer
     *
     * @throws Refused when there is no such centre
     */
    public function loadCell(array $lines, string $centre, string $day, string $bucket, array $parameters = []): array
    {
        return get_object_vars($this->plan->drafted(
            DraftLines::changes($lines),
            fn (Trial $trial) => LoadCellView::of($trial, $centre, Day::parse($day), BucketSize::from($bucket)),
            $parameters,
        ));
    }

    /**
     * What would make a work centre do no more than it can in the day, week or month of a day.
     *
     * @param  Lines  $lines
     * @param  value-of<BucketSize>  $bucket
     * @param  callable(array<string, mixed>): void  $tell  is told each as it is found, a FoundRelief
     * @return array{found: int}
     *
     * @throws Refused when there is no such centre
     */
    public function reliefs(array $lines, string $centre, string $day, string $bucket, callable $tell): array
    {
        return $this->plan->drafted(DraftLines::changes($lines), function (Trial $trial) use ($centre, $day, $bucket, $tell): array {
            $found = 0;
            foreach (ReliefView::of($trial, RunProposals::live(), $centre, Day::parse($day), BucketSize::from($bucket)) as $one) {
                $tell(get_object_vars($one));
                $found++;
            }

            return ['found' => $found];
        });
    }

    /**
     * When what a customer asks for can be promised.
     *
     * @param  array{wishes: non-empty-list<array{item: string, site: string, qty: string}>, wished: string, together?: bool, regardless?: bool, capacity?: bool, of?: string}  $asked  PromiseWishes
     * @return array<string, mixed> a PromiseReply
     */
    public function promise(array $asked): array
    {
        $wishes = new PromiseWishes(...$asked);

        return $this->plan->promising(
            fn (Network $network) => PromisedLines::without($network, $wishes->of), $wishes->capacity,
            fn (PromiseGround $ground) => get_object_vars((new PromiseView($ground, $this->today()))->of($wishes)),
        );
    }

    /**
     * What promised lines do, and what accepting them writes.
     *
     * @param  array<string, mixed>  $lines  PromisedLines
     * @return array<string, mixed> a WrittenPromise
     */
    public function promised(array $lines): array
    {
        $lines = new PromisedLines(...$lines);

        return [...$this->plan->promising(
            fn (Network $network) => PromisedLines::without($network, $lines->of), $lines->capacity,
            fn (PromiseGround $ground) => $lines->written($ground, RunProposals::live(), $this->plan->network(), $this->today()),
        ), 'stamp' => $this->plan->stamp()];
    }

    /**
     * What runs when on which unit.
     *
     * @param  Lines  $lines
     * @param  array{from?: int, days?: int, site?: string}  $filter  a BoardFilter
     * @param  int|null  $frozenDays  of the schedule that was kept last
     * @return array<string, mixed> a BoardTable
     */
    public function board(array $lines, array $filter, ?int $frozenDays): array
    {
        $drafted = [];
        foreach ($lines as $line) {
            foreach ($line['changes'] as $change) {
                $drafted[Stored::text($change['order'] ?? '')] = true;
            }
        }
        $stamp = $this->plan->stamp();

        return get_object_vars($this->plan->drafted(
            DraftLines::changes($lines),
            fn (Trial $trial) => BoardView::table($trial, new BoardFilter(...$filter), $drafted, $frozenDays, $stamp),
        ));
    }

    /**
     * What runs next at a work centre.
     *
     * @param  Lines  $lines
     * @param  array<string, list<string>>  $remarks  by code of the order
     * @return array<string, mixed> a WorkList
     */
    public function workList(array $lines, string $centre, int $rows, array $remarks): array
    {
        return get_object_vars($this->plan->drafted(
            DraftLines::changes($lines), fn (Trial $trial) => WorkListView::of($trial, $centre, $rows, $remarks),
        ));
    }

    /**
     * An order or proposal of the board that is looked at.
     *
     * @param  Lines  $lines
     * @return array<string, mixed> a BoardPick
     */
    public function boardPick(array $lines, string $of): array
    {
        return get_object_vars($this->plan->drafted(DraftLines::changes($lines), fn (Trial $trial) => BoardGround::read(
            $trial, fn (BoardGround $ground) => (new BoardPickView($ground, $of))->pick(),
        )));
    }

    /**
     * What comes of putting operations somewhere on the board.
     *
     * @param  Lines  $lines
     * @param  list<array{of: string, op: int, centre: string, units: list<int>, start: int}>  $moves  minutes from 00:00 of the plan date
     * @param  'push'|'swap'|'overlap'  $way  in which what is in the way follows
     * @return array<string, mixed> a BoardPlaces
     */
    public function boardPlace(array $lines, array $moves, string $way): array
    {
        return get_object_vars($this->plan->drafted(DraftLines::changes($lines), fn (Trial $trial) => BoardGround::read(
            $trial, fn (BoardGround $ground) => (new BoardMoves($ground, $way, RunProposals::live()))->all($moves),
        )));
    }

    /**
     * What would make an order or proposal of the board be there sooner.
     *
     * @param  Lines  $lines
     * @param  callable(array<string, mixed>): void  $tell  is told each as it is found, a FoundRemedy
     * @return array{found: int}
     */
    public function boardWays(array $lines, string $of, callable $tell): array
    {
        return $this->plan->drafted(DraftLines::changes($lines), function (Trial $trial) use ($of, $tell): array {
            $found = 0;
            foreach ((new RemedyView($trial, $this->today(), RunProposals::live()))->inShop($of) as $one) {
                $tell(get_object_vars($one));
                $found++;
            }

            return ['found' => $found];
        });
    }

    /**
     * What would hold for each of some orders what the plan gives them.
     *
     * @param  list<string>  $references
     * @return array{changes: list<array<string, mixed>>}
     */
    public function holdable(array $references): array
    {
        $changes = $this->plan->live()->with([], fn (Plan $plan) => $this->offered($plan, $references));

        return ['changes' => array_map(fn (Change $change) => ChangeCodec::encode($change), $changes)];
    }

    /**
     * @param  list<string>  $references
     * @return list<Change>
     */
    private function offered(Plan $plan, array $references): array
    {
        $changes = [];
        foreach ((new Reservations($plan))->all() as $order) {
            in_array($order->reference, $references, true) && array_push($changes, ...Reservations::toHold($order));
        }

        return $changes;
    }

    /**
     * @template T
     *
     * @param  Lines  $lines
     * @param  callable(AvailabilityView): T  $read
     * @return T
     */
    private function asked(array $lines, string $subject, callable $read): mixed
    {
        return $this->plan->drafted(
            DraftLines::changes($lines),
            fn (Trial $trial) => $read(new AvailabilityView($trial, $subject, $this->today())),
        );
    }

    private function today(): int
    {
        return Day::parse(Settings::planDate());
    }

    /** A day that is asked for, not before today. */
    private function day(?string $iso): ?int
    {
        return $iso === null ? null : max(Day::parse($iso), $this->today());
    }
}

<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Models\Run;
use App\Planning\Dates;
use App\Planning\Shapes\ComparedFigure;
use App\Planning\Shapes\ComparedLate;
use App\Planning\Shapes\ComparedMessage;
use App\Planning\Shapes\ComparedProposal;
use App\Planning\Shapes\ComparedStock;
use App\Planning\Shapes\ComparedSupply;
use App\Support\Say;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Comparison\Comparison;
use Yposta\Core\Comparison\Difference;
use Yposta\Core\Comparison\LateFact;
use Yposta\Core\Comparison\MessageFact;
use Yposta\Core\Comparison\ProposalFact;
use Yposta\Core\Quantity\Quantity;

/** What differs between two plans, as rows. */
final readonly class CompareView
{
    /** Rows of each list; what is beyond is counted. */
    public const MOST = 400;

    private Dates $dates;

    private int $planDate;

    /** @var array<string, stdClass> by code */
    private array $items;

    public function __construct(private Comparison $comparison, Run $after)
    {
        $this->dates = new Dates;
        $this->planDate = $this->dates->day($after->plan_date);
        $this->items = DB::table('items')->get(['code', 'name', 'unit'])->keyBy('code')->all();
    }

    public static function between(Run $before, Run $after): self
    {
        return new self(Comparison::of(StoredPicture::of($before), StoredPicture::of($after)), $after);
    }

    /** @return list<ComparedFigure> */
    public function figures(): array
    {
        $figures = [];
        foreach (Figures::labels() as $name => [$label, $moreIsWorse]) {
            [$before, $after] = $this->comparison->figures[$name] ?? [0, 0];
            $figures[] = new ComparedFigure(
                $label, Say::money($before), Say::money($after), $before === $after ? null : self::signed($after - $before), $moreIsWorse && $after > $before, $moreIsWorse && $after < $before,
            );
        }

        return $figures;
    }

    /** @return array<string, int> how many differences each list has altogether */
    public function counts(): array
    {
        return ['late' => count($this->comparison->late), 'proposals' => count($this->comparison->proposals), 'messages' => count($this->comparison->messages), 'stock' => count($this->comparison->stock)];
    }

    /** @return list<ComparedLate> those that come on time now first, then by how much they differ */
    public function late(): array
    {
        $rows = array_map(function (Difference $difference): ComparedLate {
            /** @var LateFact $fact */
            $fact = $difference->after ?? $difference->before;

            return new ComparedLate(
                $difference->kind(), $fact->order, $fact->line, $fact->customer, $fact->item, $fact->site, Quantity::format($fact->qty), $this->unit($fact->item), $this->dates->iso($fact->due),
                $this->dates->isoOrNull($difference->before?->expected), $this->dates->isoOrNull($difference->after?->expected), $difference->before?->days() ?? 0, $difference->after?->days() ?? 0, $fact->why,
            );
        }, $this->comparison->late);
        usort($rows, fn (ComparedLate $a, ComparedLate $b) => $a->daysAfter - $a->daysBefore <=> $b->daysAfter - $b->daysBefore);

        return array_slice($rows, 0, self::MOST);
    }

    /** @return list<ComparedProposal> */
    public function proposals(): array
    {
        return array_map(function (Difference $difference): ComparedProposal {
            /** @var ProposalFact $fact */
            $fact = $difference->after ?? $difference->before;

            return new ComparedProposal($difference->kind(), $fact->item, $this->name($fact->item), $fact->site, $this->unit($fact->item), $fact->kind, $this->supply($difference->before), $this->supply($difference->after));
        }, array_slice($this->comparison->proposals, 0, self::MOST));
    }

    /** @return list<ComparedMessage> */
    public function messages(): array
    {
        return array_map(function (Difference $difference): ComparedMessage {
            /** @var MessageFact $fact */
            $fact = $difference->after ?? $difference->before;
            $about = $fact->about === 'proposal' ? (string) trans('a proposal') : (str_starts_with($fact->about, 'safety:') ? '' : explode(':', $fact->about, 2)[1]);

            return new ComparedMessage($difference->kind(), $fact->code, $about, $fact->item, $fact->site, $this->says($difference->before), $this->says($difference->after));
        }, array_slice($this->comparison->messages, 0, self::MOST));
    }

    /** @return list<ComparedStock> the largest difference first */
    public function stock(): array
    {
        $stock = $this->comparison->stock;
        uasort($stock, fn (array $a, array $b) => abs($b[1] - $b[0]) <=> abs($a[1] - $a[0]));
        $rows = [];
        foreach (array_slice($stock, 0, self::MOST) as $key => [$before, $after]) {
            [$item, $site] = explode("\x1f", (string) $key);
            $rows[] = new ComparedStock($item, $this->name($item), $site, Say::money($before), Say::money($after), self::signed($after - $before), $after > $before);
        }

        return $rows;
    }

    private function supply(?ProposalFact $fact): ?ComparedSupply
    {
        return $fact === null ? null : new ComparedSupply(Quantity::format($fact->qty), $this->dates->iso($fact->start), $this->dates->iso($fact->due), $this->dates->iso($fact->expected), $fact->supplier);
    }

    private function says(?MessageFact $fact): string
    {
        if ($fact === null) {
            return '';
        }
        $days = array_map(fn (int $day) => Say::day($day, $this->planDate), array_filter([$fact->from, $fact->to], fn (?int $day) => $day !== null));

        return Say::quantity($fact->qty, $this->unit($fact->item)).', '.implode(" \u{2192} ", $days);
    }

    private function name(string $item): string
    {
        return $this->items[$item]->name ?? '';
    }

    private function unit(string $item): string
    {
        return $this->items[$item]->unit ?? '';
    }

    private static function signed(int $value): string
    {
        return ($value > 0 ? '+' : "\u{2212}").Say::money(abs($value));
    }
}

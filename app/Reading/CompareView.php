<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Planning\Dates;
use App\Reading\Shapes\ComparedFigure;
use App\Reading\Shapes\ComparedLate;
use App\Reading\Shapes\ComparedLoad;
use App\Reading\Shapes\ComparedMessage;
use App\Reading\Shapes\ComparedProposal;
use App\Reading\Shapes\ComparedStock;
use App\Reading\Shapes\ComparedSupply;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Comparison\Comparison;
use Yposta\Core\Comparison\Difference;
use Yposta\Core\Comparison\LateEntry;
use Yposta\Core\Comparison\MessageEntry;
use Yposta\Core\Comparison\ProposalEntry;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\MessageCode;

/** What differs between two plans, as rows. */
final readonly class CompareView
{
    /** Rows of each list; what is beyond is counted. */
    public const MOST = 400;

    private Dates $dates;

    private int $planDate;

    /** @var array<string, stdClass> by code */
    private array $items;

    /** @param  list<ComparedLoad>  $loads */
    public function __construct(private Comparison $comparison, Run $after, private array $loads = [])
    {
        $this->dates = new Dates;
        $this->planDate = $this->dates->day($after->plan_date);
        $this->items = DB::table('items')->get(['code', 'name', 'unit'])->keyBy('code')->all();
    }

    public static function between(Run $before, Run $after): self
    {
        return new self(
            Comparison::of(StoredContent::of($before), StoredContent::of($after)), $after, ComparedLoads::between($before, $after),
        );
    }

    /** @return list<ComparedFigure> */
    public function figures(): array
    {
        $figures = [];
        foreach (Figures::labels() as $name => [$label, $moreIsWorse]) {
            $name !== 'neededValue' || $figures[] = new ComparedFigure(
                (string) trans('Needed'), $this->needed(0), $this->needed(1), $this->neededChange(), worse: false, better: false,
            );
            [$before, $after] = $this->comparison->figures[$name] ?? [0, 0];
            $figures[] = new ComparedFigure(
                $label, Words::money($before), Words::money($after), $before === $after ? null : self::signed($after - $before),
                $moreIsWorse && $after > $before, $moreIsWorse && $after < $before,
            );
        }

        return $figures;
    }

    /** @param  int  $side  0 for the first plan, 1 for the second */
    private function needed(int $side): string
    {
        $parts = [];
        foreach ($this->comparison->needed as $unit => $pair) {
            $parts[] = Words::quantity($pair[$side], (string) $unit);
        }

        return $parts === [] ? '0' : implode(' + ', $parts);
    }

    private function neededChange(): ?string
    {
        $parts = [];
        foreach ($this->comparison->needed as $unit => [$before, $after]) {
            $before === $after
                || $parts[] = ($after > $before ? '+' : "\u{2212}").Words::quantity(abs($after - $before), (string) $unit);
        }

        return $parts === [] ? null : implode(', ', $parts);
    }

    /** @return 'late'|'proposals'|'messages'|'stock'|'load' the first list in which something differs */
    public function opening(): string
    {
        return array_key_first(array_filter($this->counts())) ?? 'late';
    }

    /** @return array{late: int, proposals: int, messages: int, stock: int, load: int} how many differences each list has altogether */
    public function counts(): array
    {
        return [
            'late' => count($this->comparison->late), 'proposals' => count($this->comparison->proposals),
            'messages' => count($this->comparison->messages), 'stock' => count($this->comparison->stock),
            'load' => count($this->loads),
        ];
    }

    /** @return list<ComparedLoad> those first that differ most */
    public function loads(): array
    {
        return array_slice($this->loads, 0, self::MOST);
    }

    /** @return list<ComparedLate> those first that differ most */
    public function late(): array
    {
        $rows = array_map(function (Difference $difference): ComparedLate {
            /** @var LateEntry $fact */
            $fact = $difference->after ?? $difference->before;

            return new ComparedLate(
                kind: $difference->kind(),
                order: $fact->order,
                line: $fact->line,
                customer: $fact->customer,
                item: $fact->item,
                site: $fact->site,
                qty: Quantity::format($fact->qty),
                unit: $this->unit($fact->item),
                due: $this->dates->iso($fact->due),
                before: $this->dates->isoOrNull($difference->before?->expected),
                after: $this->dates->isoOrNull($difference->after?->expected),
                daysBefore: $difference->before?->days() ?? 0,
                daysAfter: $difference->after?->days() ?? 0,
                why: $fact->why,
            );
        }, $this->comparison->late);
        usort($rows, fn (ComparedLate $a, ComparedLate $b) => abs($b->daysAfter - $b->daysBefore) <=> abs($a->daysAfter - $a->daysBefore));

        return array_slice($rows, 0, self::MOST);
    }

    /** @return list<ComparedProposal> */
    public function proposals(): array
    {
        return array_map(function (Difference $difference): ComparedProposal {
            /** @var ProposalEntry $fact */
            $fact = $difference->after ?? $difference->before;

            return new ComparedProposal(
                kind: $difference->kind(),
                item: $fact->item,
                name: $this->name($fact->item),
                site: $fact->site,
                unit: $this->unit($fact->item),
                supply: OrderKind::from($fact->kind),
                before: $this->supply($difference->before),
                after: $this->supply($difference->after),
            );
        }, array_slice($this->comparison->proposals, 0, self::MOST));
    }

    /** @return list<ComparedMessage> */
    public function messages(): array
    {
        return array_map(function (Difference $difference): ComparedMessage {
            /** @var MessageEntry $fact */
            $fact = $difference->after ?? $difference->before;
            $about = $fact->about === 'proposal'
                ? (string) trans('a proposal')
                : (Reference::parse($fact->about)->kind === ReferenceKind::Safety ? '' : Reference::parse($fact->about)->name);

            return new ComparedMessage(
                kind: $difference->kind(),
                code: MessageCode::from($fact->code),
                about: $about,
                item: $fact->item,
                site: $fact->site,
                before: $this->says($difference->before),
                after: $this->says($difference->after),
            );
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
            $rows[] = new ComparedStock(
                item: $item,
                name: $this->name($item),
                site: $site,
                before: Words::money($before),
                after: Words::money($after),
                change: self::signed($after - $before),
                more: $after > $before,
            );
        }

        return $rows;
    }

    private function supply(?ProposalEntry $fact): ?ComparedSupply
    {
        return $fact === null
            ? null
            : new ComparedSupply(
                Quantity::format($fact->qty), $this->dates->iso($fact->start), $this->dates->iso($fact->due),
                $this->dates->iso($fact->expected), $fact->supplier,
            );
    }

    private function says(?MessageEntry $fact): string
    {
        if ($fact === null) {
            return '';
        }
        $days = array_map(
            fn (int $day) => Words::day($day, $this->planDate),
            array_filter([$fact->from, $fact->to], fn (?int $day) => $day !== null),
        );

        return Words::quantity($fact->qty, $this->unit($fact->item)).', '.implode(" \u{2192} ", $days);
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
        return ($value > 0 ? '+' : "\u{2212}").Words::money(abs($value));
    }
}

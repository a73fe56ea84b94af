<?php

declare(strict_types=1);

namespace App\Actions;

use App\Documents\ConfirmationFile;
use App\Documents\ConfirmedLine;
use App\Models\User;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Stored;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Support\Phrase;

/** Keeps what a file of a supplier confirms: all of its lines, or none. */
final readonly class ReadConfirmation
{
    public function __construct(private ConfirmLines $confirm)
    {
    }

    /**
     * @return array<string, mixed> Told
     *
     * @throws Refused when the file cannot be read, or speaks of a line that is not open
     */
    public function __invoke(string $content, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');
        [$how, $lines] = ConfirmationFile::read($content);
        $orders = array_values(array_unique(array_map(fn (ConfirmedLine $line) => $line->order, $lines)));
        $known = new Collection;
        foreach (array_chunk($orders, 400) as $chunk) {
            $known = $known->merge(DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')
                ->leftJoin('supplier_items as s', fn ($join) => $join->on('s.item_code', '=', 'l.item_code')->on('s.supplier_code', '=', 'o.supplier_code'))
                ->whereIn('o.code', $chunk)->where('o.kind', 'buy')->where('l.cancelled', false)->orderBy('l.number')
                ->get(['o.code as order_code', 'l.code', 'l.number', 'l.item_code', 's.their_code', 'l.received', 'l.qty']));
        }
        $byOrder = $known->groupBy('order_code')->all();
        $confirmed = [];
        foreach ($lines as $line) {
            $code = $this->find($line, $byOrder[$line->order] ?? new Collection);
            isset($confirmed[$code]) && throw $this->trouble('twice', $line);
            $confirmed[$code] = ['line' => $code, 'qty' => $line->qty, 'due' => $line->due];
        }

        return ($this->confirm)(array_values($confirmed), $how, $key, $by);
    }

    /** @param  Collection<int, stdClass>  $lines  of its order */
    private function find(ConfirmedLine $line, Collection $lines): string
    {
        $found = $lines->filter(fn (stdClass $row) => $line->line !== ''
            ? in_array($line->line, [(string) $row->number, $row->code], true)
            : in_array($line->item, [$row->item_code, $row->their_code], true));
        $found->count() === 1 || throw $this->trouble($found->isEmpty() ? 'unknown' : 'several', $line);

        return Stored::text($found->first()->code ?? '');
    }

    private function trouble(string $code, ConfirmedLine $line): Refused
    {
        return Refused::because('purchase.file', ['trouble' => new Phrase("refused.confirmation.{$code}", [
            'number' => $line->number, 'order' => $line->order, 'line' => $line->line === '' ? $line->item : $line->line,
        ])], 'file');
    }
}

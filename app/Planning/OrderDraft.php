<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Netting\OrderFromProposal;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\StructureBuilder;

/** What an order made of a proposal looks like: its start and components, computed by the core as the run would. */
final readonly class OrderDraft
{
    private Dates $dates;

    public function __construct(private NetworkReader $reader)
    {
        $this->dates = new Dates;
    }

    /** When something ordered from a supplier on the plan date could be there, as a day number. */
    public function earliest(Run $run, string $item, string $site, string $supplier): int
    {
        return OrderFromProposal::earliest($this->reader->around($item, $site), RunParameters::options([...$run->parameters, 'sites' => null, 'items' => null, 'forecasts' => []]), $item, $site, $supplier);
    }

    /**
     * @param  int  $qty  millionths
     * @param  int  $due  day number
     * @param  string|null  $supplier  who it is ordered from, when it is bought
     * @return array{start: string, components: list<array{line: string, item_code: string, qty: int, issued: int, need: string}>} dates as ISO dates
     *
     * @throws QuantityOutOfRange when a component would be needed beyond the range
     */
    public function of(Run $run, string $item, string $site, int $qty, int $due, ?string $supplier): array
    {
        $options = RunParameters::options([...$run->parameters, 'sites' => null, 'items' => null, 'forecasts' => []]);
        $structure = (new StructureBuilder($this->reader->around($item, $site, $supplier), $options))->build();
        $point = $structure->points[$structure->indexes[Network::key($item, $site)]];
        $order = OrderFromProposal::of($structure, $point, $qty, $due, Day::parse(substr($run->plan_date, 0, 10)));

        return [
            'start' => $this->dates->iso($order->start),
            'components' => array_map(fn (array $component) => [
                'line' => $component['line']->line, 'item_code' => $component['line']->item, 'qty' => $component['qty'], 'issued' => 0, 'need' => $this->dates->iso($component['need']),
            ], $order->components),
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\BlockStock;
use Yposta\Core\Study\ScrapBlocked;
use Yposta\Core\Support\Phrase;

/** Says what of the stock nobody may use, what may be used again, and what of it is scrapped. */
final readonly class BlockGoods
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  'block'|'release'|'scrap'  $what
     * @param  int  $qty  millionths
     * @return array<string, mixed> Posted
     *
     * @throws Refused without a reason, when there is not so much, or it is held for somebody
     */
    public function __invoke(string $what, string $item, string $site, int $qty, string $reason, string $key, User $by): array
    {
        $reason !== '' || $what === 'release' || throw Refused::because('stock.block_reason', [], 'reason');

        return ($this->post)("{$what} stock", null, $key, $by, function () use ($what, $item, $site, $qty, $reason): array {
            $network = $this->data->read();
            $change = $what === 'scrap' ? new ScrapBlocked($item, $site, $qty) : new BlockStock($item, $site, $qty, $what === 'release');
            PostedChange::apply($change, $network);
            $code = match ($what) {
                'block' => 'journal.stock.blocked',
                'release' => 'journal.stock.released',
                'scrap' => 'journal.stock.scrapped',
            };

            return [[$change], Words::say(new Phrase($code, [
                'item' => $item, 'site' => $site, 'qty' => new Amount($qty, $network->items[$item]->unit),
            ])), new Booking($reason)];
        });
    }
}

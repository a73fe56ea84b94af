<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

/** What is usually made or moved is bought. */
final readonly class BuyInstead extends FasterPurchase
{
    /** @return list<self> the lowest rank first */
    public static function find(Situation $in): array
    {
        return array_map(fn (FasterOffer $offer) => new self($in, $offer), FasterOffer::forBought($in, false));
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::BuyInstead;
    }
}

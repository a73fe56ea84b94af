<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

/** Another supplier could be there before what serves the need now. */
final readonly class OtherSupplier extends FasterPurchase
{
    /** @return list<self> the lowest rank first */
    public static function find(Situation $in): array
    {
        return array_map(fn (FasterOffer $offer) => new self($in, $offer), FasterOffer::forBought($in, true));
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::OtherSupplier;
    }
}

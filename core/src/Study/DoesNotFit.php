<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use RuntimeException;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Spoken;

/** A change speaks of something that is not there any more, or is in another state. */
class DoesNotFit extends RuntimeException implements Spoken
{
    use CarriesPhrase;

    /** @param  array<string, int|string|Amount|Date|Phrase|list<Phrase>|null>  $values */
    public static function because(string $code, array $values = []): self
    {
        return new self(new Phrase("fit.{$code}", $values));
    }
}

<?php

declare(strict_types=1);

namespace Yposta\Core\Support;

use Throwable;

/** What {@see Spoken} exceptions share. */
trait CarriesPhrase
{
    public function __construct(private readonly Phrase $phrase, ?Throwable $previous = null)
    {
        parent::__construct((string) $phrase, 0, $previous);
    }

    public function phrase(): Phrase
    {
        return $this->phrase;
    }
}

<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Spoken;

/** Something that cannot be done; its phrase says what happened and what was kept, for the person who asked. */
final class Refused extends RuntimeException implements Spoken
{
    /** @param  array<string, mixed>  $details  what the interface may want to show or ask */
    public function __construct(
        private readonly Phrase $phrase,
        public readonly string $reason = 'refused',
        public readonly array $details = [],
    ) {
        parent::__construct((string) $phrase);
    }

    /**
     * @param  string  $code  of the sentence in the language file of refusals
     * @param  array<string, int|string|Amount|Date|Phrase|list<Phrase>|null>  $values
     * @param  array<string, mixed>  $details
     */
    public static function because(string $code, array $values = [], string $reason = 'refused', array $details = []): self
    {
        return new self(new Phrase("refused.{$code}", $values), $reason, $details);
    }

    public function phrase(): Phrase
    {
        return $this->phrase;
    }

    /** The sentence in the language of the person. */
    public function sentence(): string
    {
        return Words::say($this->phrase);
    }
}

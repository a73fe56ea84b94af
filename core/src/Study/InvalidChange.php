<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use InvalidArgumentException;
use Yposta\Core\Support\CarriesPhrase;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Support\Spoken;

/** Fields that are no change, or no row of one. */
final class InvalidChange extends InvalidArgumentException implements Spoken
{
    use CarriesPhrase;

    public static function kind(): self
    {
        return new self(new Phrase('change.kind'));
    }

    public static function of(string $code): self
    {
        return new self(new Phrase($code));
    }

    public static function unknown(string|int $field): self
    {
        return new self(new Phrase('change.unknown', ['field' => mb_substr((string) $field, 0, 60)]));
    }

    public static function missing(string $field): self
    {
        return new self(new Phrase('change.missing', ['field' => $field]));
    }

    public static function wrong(string|int $field, ?Phrase $trouble = null): self
    {
        return new self(new Phrase(
            'change.wrong',
            ['field' => (string) $field, 'trouble' => $trouble ?? new Phrase('row.wrong_type.problem')],
        ));
    }
}

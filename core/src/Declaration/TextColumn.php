<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

/** What the column types that hold text share. */
trait TextColumn
{
    public function write(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    public function harmless(): mixed
    {
        return '';
    }

    public function plain(mixed $value): string
    {
        return $this->write($value);
    }

    public function fromPlain(mixed $plain): mixed
    {
        return is_string($plain) ? $plain : throw new InvalidField(Fault::of('wrong_type'));
    }

    private function faultOfText(string $text, bool $lines): ?Fault
    {
        return match (true) {
            strlen($text) <= Code::LONGEST && preg_match('/^[\x20-\x7e]*$/D', $text) === 1 => null, // as nearly all are
            ! mb_check_encoding($text, 'UTF-8') => Fault::of('not_utf8'),
            preg_match($lines ? '/[\x00-\x08\x0b\x0c\x0e-\x1f\x7f]/' : '/[\x00-\x1f\x7f]/', $text) === 1 => Fault::of('control_character'),
            mb_strlen($text) > Code::LONGEST => Fault::of('too_long', ['count' => mb_strlen($text), 'most' => Code::LONGEST]),
            default => null,
        };
    }
}

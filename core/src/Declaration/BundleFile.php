<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Attribute;

/** Declares that objects of a class are the rows of one of the bundle's files. */
#[Attribute(Attribute::TARGET_CLASS)]
final readonly class BundleFile
{
    /**
     * @param  string  $name  of the file, with its ending
     * @param  string  $table  where an application keeps them
     * @param  list<string>  $key  the properties by which a row is known; no two rows share them. Empty where rows have no key
     * @param  string  $note  for the documentation
     */
    public function __construct(public string $name, public string $table, public array $key = [], public string $note = '')
    {
    }
}

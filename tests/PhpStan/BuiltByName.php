<?php

declare(strict_types=1);

namespace Tests\PhpStan;

use PHPStan\Reflection\ExtendedPropertyReflection;
use PHPStan\Rules\Properties\ReadWritePropertiesExtension;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Network\Network;

/** Tells PHPStan that declared rows and networks fill every property in their constructor, by name. */
final class BuiltByName implements ReadWritePropertiesExtension
{
    public function isAlwaysRead(ExtendedPropertyReflection $property, string $propertyName): bool
    {
        return false;
    }

    public function isAlwaysWritten(ExtendedPropertyReflection $property, string $propertyName): bool
    {
        return $this->isInitialized($property, $propertyName);
    }

    public function isInitialized(ExtendedPropertyReflection $property, string $propertyName): bool
    {
        $class = $property->getDeclaringClass();

        return $class->getName() === Network::class || $class->hasTraitUse(Row::class);
    }
}

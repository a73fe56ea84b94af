<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use Inertia\Inertia;
use Inertia\Response;
use ReflectionClass;

/** What a page is given. The component has the name of the class without `Page`; its properties are the component's props. */
abstract readonly class Page
{
    public function show(): Response
    {
        return Inertia::render(substr((new ReflectionClass($this))->getShortName(), 0, -4), get_object_vars($this));
    }
}

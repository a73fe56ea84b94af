<?php

declare(strict_types=1);

arch('the core knows nothing but itself, PHP and exact numbers')
    ->expect('Yposta\Core')->toOnlyUse(['Yposta\Core', 'Brick\Math', 'InvalidArgumentException', 'RuntimeException', 'BackedEnum', 'DateTimeZone']);

arch('the core declares strict types')->expect('Yposta\Core')->toUseStrictTypes();

arch('nothing of the core knows the clock, files by name or output')
    ->expect(['time', 'date', 'fopen', 'file_get_contents', 'file_put_contents', 'glob', 'print_r', 'var_dump', 'getenv', 'config', 'app'])->not->toBeUsedIn('Yposta\Core');

arch('controllers hold no rules: the core reaches them only as finished shapes and small values')
    ->expect('App\Http\Controllers')->not->toUse(['Yposta\Core\Netting', 'Yposta\Core\Projection', 'Yposta\Core\Demand', 'Yposta\Core\Structure', 'Yposta\Core\Planner']);

arch('models hold no planning')->expect('App\Models')->not->toUse('Yposta\Core');

arch('the bridge does not know the web')->expect('App\Planning')->not->toUse(['App\Http', 'App\Actions', 'Illuminate\Http\Request']);

arch('actions do not know the web, and plan only through the bridge')
    ->expect('App\Actions')->not->toUse(['App\Http', 'Illuminate\Http\Request', 'Yposta\Core\Netting', 'Yposta\Core\Structure', 'Yposta\Core\Planner']);

arch('the application declares strict types')->expect('App')->toUseStrictTypes();

<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\SharedProps;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Inertia\Middleware;
use ReflectionClass;
use ReflectionMethod;

/** Gives every page what {@see SharedProps} knows, and what went wrong before it. */
final class HandleInertiaRequests extends Middleware
{
    protected $rootView = 'app';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        $person = $request->user();

        return [
            ...parent::share($request),
            'trouble' => fn () => $request->session()->get('trouble'),
            ...$person instanceof User ? $this->lazily(new SharedProps($request, $person)) : [],
        ];
    }

    /** @return array<string, Closure> */
    private function lazily(SharedProps $props): array
    {
        $lazy = [];
        foreach ((new ReflectionClass($props))->getMethods(ReflectionMethod::IS_PUBLIC) as $method) {
            if (! $method->isConstructor()) {
                $lazy[$method->getName()] = $method->getClosure($props);
            }
        }

        return $lazy;
    }
}

<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Contracts\Auth\Authenticatable as UserContract;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite(); // pages are tested for what they are sent, so that nothing needs to be built
    }

    /** Somebody else at the same screen: what the session knows of the password of the one before goes. */
    public function actingAs(UserContract $user, $guard = null)
    {
        session()->forget('password_hash_web');

        return parent::actingAs($user, $guard);
    }
}

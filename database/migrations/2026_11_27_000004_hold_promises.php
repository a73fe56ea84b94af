<?php

declare(strict_types=1);

use App\Support\Roles;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Promises that are held for a customer until a day, and what was answered where a line was accepted for another day. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('sales_lines', function (Blueprint $table): void {
            $table->date('held_until')->nullable()->index();
            $table->date('answered')->nullable();
        });
        DB::table('roles')->exists() && Roles::install(); // those that are there get what is new
    }

    public function down(): void
    {
        Schema::table('sales_lines', fn (Blueprint $table) => $table->dropColumn(['held_until', 'answered']));
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the schedule needs to know: which unit is closed, on which units an operation stands, when an order may be worked on. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('closures', fn (Blueprint $table) => $table->integer('unit')->nullable());
        Schema::table('order_operations', fn (Blueprint $table) => $table->string('units')->nullable());
        Schema::table('order_components', fn (Blueprint $table) => $table->integer('op')->nullable());
        Schema::table('order_lines', function (Blueprint $table): void {
            $table->date('not_before')->nullable();
            $table->date('finish_by')->nullable();
            $table->boolean('hold')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('closures', fn (Blueprint $table) => $table->dropColumn('unit'));
        Schema::table('order_operations', fn (Blueprint $table) => $table->dropColumn('units'));
        Schema::table('order_components', fn (Blueprint $table) => $table->dropColumn('op'));
        Schema::table('order_lines', fn (Blueprint $table) => $table->dropColumn(['not_before', 'finish_by', 'hold']));
    }
};

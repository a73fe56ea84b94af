<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Other ways to get an item than it is planned by, what it costs from how many on, and proposals that somebody has put off. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('supply_alternatives', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code');
            $table->string('site_code');
            $table->integer('rank');
            $table->string('supply');
            $table->integer('lead_days')->nullable();
            $table->string('supplier_code')->nullable();
            $table->string('from_site_code')->nullable();
            $table->unique(['item_code', 'site_code', 'rank']);
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
            $table->foreign('supplier_code')->references('code')->on('suppliers');
            $table->foreign('from_site_code')->references('code')->on('sites');
        });
        Schema::create('price_breaks', function (Blueprint $table): void {
            $table->id();
            $table->string('supplier_code');
            $table->string('item_code');
            $table->bigInteger('from_qty')->comment('millionths');
            $table->bigInteger('price')->comment('of one, millionths');
            $table->unique(['item_code', 'supplier_code', 'from_qty']);
            $table->foreign('supplier_code')->references('code')->on('suppliers');
            $table->foreign('item_code')->references('code')->on('items');
        });
        Schema::create('put_offs', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code');
            $table->string('site_code');
            $table->string('kind');
            $table->date('due');
            $table->bigInteger('qty')->comment('millionths');
            $table->date('until')->index();
            $table->string('reason');
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
            $table->timestamp('withdrawn_at')->nullable();
            $table->index(['item_code', 'site_code']);
        });
        Schema::create('resting_proposals', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('proposal');
            $table->foreignId('put_off_id')->constrained()->cascadeOnDelete();
            $table->unique(['run_id', 'proposal']);
        });
    }

    public function down(): void
    {
        foreach (['resting_proposals', 'put_offs', 'price_breaks', 'supply_alternatives'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};

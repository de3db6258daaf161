<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What happens to an order is in `order_facts`, appended and never changed. What other tables say of its state and sums follows from them.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('funnels', function (Blueprint $table): void {
            $table->char('currency', 3)->nullable();
        });
        Schema::table('businesses', function (Blueprint $table): void {
            $table->unsignedInteger('tax_rate')->default(0);
            $table->string('tax_name', 40)->default('Tax');
            $table->string('tax_number', 60)->default('');
            $table->json('sale_notices')->default('["sale","trouble","refund"]');
        });
        // The last number given out of each series: without gaps, since a number is taken in the transaction that uses it.
        Schema::create('number_series', function (Blueprint $table): void {
            $table->foreignId('business_id')->constrained();
            $table->string('series', 20);
            $table->unsignedInteger('last')->default(0);
            $table->primary(['business_id', 'series']);
        });
        Schema::create('orders', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('version_id');
            $table->ulid('page_id');
            $table->ulid('person_id');
            // Of the checkout that was sent: the same one sent twice is one order.
            $table->char('token', 32)->unique();
            $table->unsignedInteger('number')->nullable();
            $table->string('state', 20);
            $table->char('currency', 3);
            $table->string('language', 12)->default('en');
            $table->string('email', 254);
            $table->string('name', 200)->default('');
            $table->unsignedBigInteger('total');
            $table->unsignedBigInteger('paid')->default(0);
            $table->unsignedBigInteger('refunded')->default(0);
            $table->boolean('arrears')->default(false);
            $table->ulid('coupon_id')->nullable();
            $table->string('coupon_code', 40)->nullable();
            $table->string('method', 80)->nullable();
            $table->string('method_label', 60)->nullable();
            $table->char('visitor', 32)->nullable();
            $table->string('source', 120)->nullable();
            $table->string('ip', 45)->nullable();
            $table->boolean('owner')->default(false);
            $table->timestamp('placed_at', 3);
            $table->timestamp('bought_at', 3)->nullable();
            $table->timestamp('receipt_due_at', 3)->nullable();
            $table->unique(['business_id', 'number']);
            $table->index(['business_id', 'placed_at']);
            $table->index(['business_id', 'state', 'placed_at']);
            $table->index(['funnel_id', 'bought_at']);
            $table->index('person_id');
            $table->index('receipt_due_at');
        });
        Schema::create('order_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('order_id')->constrained();
            $table->unsignedInteger('number');
            $table->string('kind', 10);
            $table->ulid('offer_id');
            $table->ulid('product_id');
            $table->string('name', 120);
            $table->ulid('page_id');
            $table->json('line');
            $table->unsignedBigInteger('total');
            // Held while somebody pays, then bought; or failed, and the place is free again.
            $table->string('state', 10);
            $table->ulid('receipt_id')->nullable();
            $table->unique(['order_id', 'number']);
            $table->index(['offer_id', 'state']);
        });
        Schema::create('payments', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('order_id')->constrained();
            // What the provider knows it by. It is made before the provider is asked.
            $table->char('key', 40)->unique();
            $table->unsignedInteger('number');
            $table->unsignedInteger('try')->default(1);
            $table->string('purpose', 10);
            $table->json('lines');
            $table->unsignedBigInteger('amount');
            $table->char('currency', 3);
            $table->string('state', 10);
            $table->string('method', 80)->nullable();
            $table->timestamp('due_at', 3);
            $table->timestamp('asked_at', 3)->nullable();
            $table->timestamp('settled_at', 3)->nullable();
            $table->timestamp('first_failed_at', 3)->nullable();
            $table->string('trouble', 200)->nullable();
            $table->string('bank_url', 500)->nullable();
            $table->ulid('receipt_id')->nullable();
            $table->index(['order_id', 'number', 'try']);
            $table->index(['state', 'due_at']);
        });
        Schema::create('refunds', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('order_id')->constrained();
            $table->foreignUlid('payment_id')->constrained();
            $table->char('key', 40)->unique();
            // The refunds of one press of the button.
            $table->char('act', 32);
            $table->unsignedBigInteger('amount');
            $table->json('lines');
            $table->string('state', 10);
            $table->boolean('ends_access')->default(false);
            $table->string('why', 300)->default('');
            $table->timestamp('asked_at', 3);
            $table->timestamp('settled_at', 3)->nullable();
            $table->unique(['act', 'payment_id']);
            $table->index(['state', 'asked_at']);
        });
        Schema::create('order_facts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id');
            $table->ulid('funnel_id');
            $table->foreignUlid('order_id')->constrained();
            $table->string('type', 20);
            $table->char('payment_key', 40)->nullable();
            $table->char('refund_key', 40)->nullable();
            $table->unsignedBigInteger('amount')->default(0);
            $table->char('currency', 3);
            $table->json('lines')->nullable();
            $table->json('data')->nullable();
            $table->boolean('owner')->default(false);
            $table->timestamp('at', 6);
            $table->index('order_id');
            $table->index(['business_id', 'type', 'at']);
            $table->index(['funnel_id', 'type', 'at']);
        });
        Schema::create('accesses', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->ulid('person_id');
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('product_id');
            // None where the owner gave it by hand.
            $table->ulid('order_id')->nullable();
            $table->json('product');
            $table->string('state', 10);
            $table->timestamp('given_at', 3);
            $table->timestamp('changed_at', 3);
            $table->unsignedInteger('opened')->default(0);
            $table->unique(['person_id', 'product_id', 'order_id']);
            $table->index(['product_id', 'state']);
        });
        Schema::create('coupon_codes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->ulid('coupon_id')->index();
            $table->string('code', 40);
            $table->timestamp('made_at', 3);
            $table->unique(['business_id', 'code']);
        });
        Schema::create('coupon_uses', function (Blueprint $table): void {
            $table->id();
            $table->ulid('coupon_id');
            $table->string('code', 40);
            $table->foreignUlid('order_id')->unique()->constrained();
            $table->ulid('person_id');
            $table->string('state', 10);
            $table->index(['coupon_id', 'state', 'person_id']);
            $table->index('person_id');
        });
        Schema::create('receipts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('order_id')->constrained();
            $table->unsignedInteger('number');
            $table->string('kind', 10);
            $table->string('key', 60)->unique();
            $table->json('content');
            $table->timestamp('issued_at', 3);
            $table->unique(['business_id', 'number']);
        });
        // Calls of the payment provider that were taken, each once.
        Schema::create('provider_calls', function (Blueprint $table): void {
            $table->string('id', 80)->primary();
            $table->string('key', 40)->nullable();
            $table->timestamp('at', 3);
        });
        Schema::table('published_pages', function (Blueprint $table): void {
            $table->json('products')->nullable();
        });
    }
};

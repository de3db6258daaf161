<?php

declare(strict_types=1);

use Lantern\Core\Deadlines\ForEveryone;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Rules\Group;
use Lantern\Core\Rules\Rules;
use Lantern\Core\Sequences\SendWindow;
use Lantern\Core\Support\Written;

/* The form of a whole funnel, by its parts, rules and triggers; see make.php. */

$parts = $refs = [];
foreach (PartKinds::ALL as $class) {
    $schema = $class::schema();
    $refs[] = Written::ref($class::kind());
    $parts[$class::kind()] = ['title' => ucfirst($class::label())] + array_replace($schema, [
        'required' => ['kind', 'id', ...$schema['required'] ?? []],
        'properties' => ['kind' => ['const' => $class::kind()], 'id' => Written::id()] + $schema['properties']]);
}
$colour = Written::ref('colour');
$name = '^[a-z][a-z0-9_]{0,39}$';

return [
    '$schema' => 'https://json-schema.org/draft/2020-12/schema',
    '$id' => 'https://upbeat-lantern.example/formats/plan.schema.json',
    'title' => 'Funnel plan',
    'description' => 'A whole funnel as one value. Format '.Plan::FORMAT.'. A published version stores exactly this.',
] + Written::group([
    'format' => ['const' => Plan::FORMAT],
    'id' => Written::id(),
    'name' => Written::text(120, 'private'),
    'goal' => Written::choice(Goal::class),
    'address' => Written::shaped('^[a-z0-9]+(-[a-z0-9]+)*$', 60),
    'look' => Written::group(['id' => Written::choice(array_keys(Looks::all())), 'accent' => $colour, 'paper' => $colour, 'ink' => $colour,
        'headingFont' => Written::text(60), 'bodyFont' => Written::text(60), 'corner' => Written::whole(0, 32)], ['id']),
    'sender' => Written::group(['business' => ['type' => 'string'], 'name' => ['type' => 'string'], 'address' => ['type' => 'string'],
        'postalAddress' => ['type' => 'string'], 'timeZone' => ['type' => 'string', 'description' => 'an IANA name']],
        ['business', 'name', 'address', 'postalAddress', 'timeZone']),
    'parts' => Written::listOf(['oneOf' => $refs], 400,
        'what the funnel is made of, by kind; of each kind in order: pages in the order of the way, the entry page first'),
    'ways' => ['type' => 'array', 'items' => Written::group(['page' => Written::id(), 'outcome' => Written::choice(Outcome::class),
        'toPage' => Written::id(), 'toUrl' => Written::shaped('^https?://', 2000)], ['page', 'outcome'])
        + ['oneOf' => [['required' => ['toPage']], ['required' => ['toUrl']]]]],
    'logo' => Written::id('of a picture'),
    'icon' => Written::id(),
    'currency' => Written::ref('currency', 'in which it sells; only where it has offers'),
    'language' => Written::shaped(Language::PATTERN, Language::LONGEST),
    'phrases' => ['type' => 'object', 'description' => 'what is said to visitors in other words: by language and key of the phrase',
        'additionalProperties' => ['type' => 'object', 'additionalProperties' => Written::text(OwnPhrases::LONGEST)]],
    'times' => Written::group(['opens' => Written::ref('everyone'), 'closes' => Written::ref('everyone')],
        description: 'from when and until when it is open; the moment at which it closes is outside'),
    'fields' => ['type' => 'object', 'description' => 'the funnel\'s own merge fields by name', 'maxProperties' => 40,
        'propertyNames' => Written::ref('name'), 'additionalProperties' => Written::text(300)],
    'parameters' => Written::listOf(Written::ref('name'), 20, 'address parameters that may be used as merge fields'),
], ['format', 'id', 'name', 'goal', 'address', 'look', 'sender', 'ways', 'parts']) + [
    '$defs' => [
        'id' => Written::text(40, least: 1),
        'name' => Written::shaped($name),
        'tags' => Written::listOf(Written::text(60), 10),
        'colour' => Written::shaped('^#[0-9a-f]{6}$'),
        'currency' => Written::shaped('^[A-Z]{3}$'),
        'day' => Written::shaped('^\\d{4}-\\d{2}-\\d{2}$'),
        'moment' => Written::shaped('^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}$', description: 'on the owner\'s clocks'),
        'money' => Written::group(['amount' => Written::whole(0, description: 'in the smallest unit of the currency'),
            'currency' => Written::ref('currency')], ['amount', 'currency']),
        'everyone' => ForEveryone::schema(),
        'window' => SendWindow::schema(),
        'triggers' => Triggers::schema(),
        'group' => Written::group(['all' => Written::flag(), 'rules' => Written::listOf(
            ['anyOf' => [Written::ref('group'), Written::ref('rule')]], Group::MOST)], ['all', 'rules'],
            'rules of which all must hold, or any'),
        'rule' => Rules::schema(),
    ] + $parts,
];

<?php

declare(strict_types=1);

namespace App\Serving;

use App\Forms\SpamGuard;
use DateTimeImmutable;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Forms\FormPlan;

/**
 * A form as it was sent and found right, before anything has followed from it. It is written down by one statement, before the framework
 * starts, and taken in a moment later by {@see ReceivedSignups}.
 *
 * @phpstan-type Sent array{nonce: string, answers: array<array-key, mixed>, source: string}
 *     the token’s own, what was typed into the form, and the parameters of the address
 */
final readonly class ReceivedSignup
{
    /** How moments of rows are written: those of one second keep their order. */
    public const AT = 'Y-m-d H:i:s.u';

    /**
     * Takes one of what is live, once for each form that was filled in, and none that is one too many. Its values: see {@see values()}.
     */
    public const NOTE = 'insert into received_signups (submission, token, funnel_id, version_id, page_id, variant, form_id, visitor, zone, '
        .'sent, shown, ip, user_agent, at) select ?, ?, f.id, f.live_version_id, ?, ?, ?, ?, ?, ?, ?, ?, ?, ? from funnels f '
        ."where f.id = ? and f.live_version_id = ? and f.state = 'live' and f.archived_at is null and not (".SpamGuard::FLOOD.') '
        .'and not exists (select 1 from submissions where token = ?) on conflict (token) do nothing returning submission';

    /** Which one it is that was sent before, taken in or not. */
    public const BEFORE = 'select submission from received_signups where token = ? union all select id from submissions where token = ?';

    /**
     * @param  string  $submission  the id of what it becomes; likewise of `funnel`, `version`, `page` and the browser
     * @param  string  $variant  of the page, in a split test
     * @param  string  $token  see {@see \App\Forms\FormToken::key()}
     * @param  string  $sent  {@see sent()} as JSON
     * @param  string  $shown  likewise {@see shown()}
     */
    public function __construct(
        public string $submission,
        public string $token,
        public string $funnel,
        public string $version,
        public string $page,
        public string $variant,
        public string $form,
        public string $visitor,
        public ?string $zone,
        public string $sent,
        public string $shown,
        public string $ip,
        public ?string $userAgent,
        public DateTimeImmutable $at,
    ) {
    }

    /** @return list<string|int|null> */
    public function values(): array
    {
        return [$this->submission, $this->token, $this->page, $this->variant, $this->form, $this->visitor, $this->zone, $this->sent,
            $this->shown, $this->ip, $this->userAgent, $this->at->format(self::AT), $this->funnel, $this->version,
            ...SpamGuard::flood($this->ip, $this->at), $this->token];
    }

    /**
     * Of all that was posted, what belongs to the form.
     *
     * @param  array<array-key, mixed>  $posted
     * @param  string  $nonce  of its token
     * @return Sent
     */
    public static function sent(FormPlan $form, array $posted, string $nonce): array
    {
        $answers = array_intersect_key($posted, ['consent' => 1, 'marketing' => 1]
            + array_flip(array_map(fn (FormField $field): string => $field->key(), $form->fields)));

        return ['nonce' => $nonce, 'answers' => $answers, 'source' => is_string($posted['source'] ?? null) ? $posted['source'] : ''];
    }

    /** @return array{values: array<string, string>, waits: bool} what the pages after it show of it before it is taken in */
    public static function shown(FormPlan $form, Answers $answers): array
    {
        return ['values' => $answers->values, 'waits' => $form->doubleOptIn];
    }

    /** @param  Sent  $sent */
    public static function answers(FormPlan $form, array $sent): Answers
    {
        return Answers::read($form, $sent['answers'], Source::parametersOf($form, $sent['source']));
    }
}

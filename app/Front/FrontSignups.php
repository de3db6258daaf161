<?php

declare(strict_types=1);

namespace App\Front;

use App\Forms\Confirmations;
use App\Forms\FormToken;
use App\Forms\SpamGuard;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Serving\Browser;
use App\Serving\PageHeaders;
use App\Serving\ReceivedSignup;
use App\Serving\Source;
use App\Support\AnswerKind;
use App\Support\Ids;
use App\Support\SiteAddress;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use DateTimeImmutable;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Shape;
use PDO;

/**
 * Takes forms that were filled in rightly before the framework starts: each is written down by one statement and leads its visitor on;
 * what follows from it is done a moment later, or with the visitor's next step ({@see \App\Serving\WrittenDown}). Whatever else is sent
 * the framework sees: what is not right, second steps, sessions of webinars, and readers who are known by their email.
 */
final readonly class FrontSignups
{
    /** Bytes of what was filled in. */
    private const LONGEST = 60_000;

    /** @param  string  $database  a short name of it */
    public function __construct(private PDO $pdo, private DateTimeImmutable $now, private string $database)
    {
    }

    /**
     * The forms of a page that can be taken so, as they are written down with it.
     *
     * @return array<string, array{form: array<string, mixed>, to: string|null}>
     */
    public static function forms(PublishedPage $page, Funnel $funnel, Plan $plan): array
    {
        if (! isset($page->slots['token']) || $page->popup !== null || $page->guide !== null) {
            return [];
        }
        $drawn = $plan->pageAs($page->page_id, $page->variant);
        $forms = [];
        foreach ($drawn === null ? [] : Source::formsOn($plan, $drawn) as $form) {
            $onward = AfterForm::of($plan, $page->page_id, $form->id, $form->doubleOptIn ? SubmissionState::Waiting
                : SubmissionState::Taken);
            // What leads away from us has a page of its own in between.
            if ($form->webinar === '' && ! $form->hasTwoSteps() && $onward->url === null) {
                $forms[$form->id] = ['form' => $form->toArray(), 'to' => $onward->waits ? null
                    : $funnel->site()->url($plan->page($onward->page ?? '')->address ?? '')];
            }
        }

        return $forms;
    }

    /**
     * @param  array<array-key, mixed>  $posted  hostile
     * @param  string  $funnel  its id; likewise of the `version` that is live
     * @param  string  $variant  of the page, see {@see \App\Models\PublishedPage}
     * @param  string|null  $visitor  the id of the browser, where it has one
     *
     * @throws GoOn for all that is no form filled in rightly
     */
    public function take(Ask $ask, array $posted, FrontPage $page, string $funnel, string $version, string $variant,
        SiteAddress $home, ?string $visitor): Answer
    {
        // As the framework has it: blanks around what was sent are none of it.
        array_walk_recursive($posted, function (mixed &$value): void {
            $value = is_string($value) ? trim($value) : $value;
        });
        $form = $page->forms[is_string($posted['form'] ?? null) ? $posted['form'] : ''] ?? null;
        if ($form === null || $ask->ip === null || $ask->has(SiteCookie::Reader) || array_intersect_key($posted, ['checkout' => 1,
            'extra' => 1, 'book' => 1, 'step' => 1]) !== []) {
            throw new GoOn('This is more than a form of one step.');
        }
        $plan = FormPlan::fromShape(Shape::of($form['form']));
        $token = FormToken::read($posted['token'] ?? null, $page->page, $this->now);
        if ($token === null || SpamGuard::isProgram($posted['website'] ?? null, $token)) {
            throw new GoOn('The form is too old, too new or not ours.');
        }
        $sent = ReceivedSignup::sent($plan, $posted, $token->nonce);
        $answers = ReceivedSignup::answers($plan, $sent);
        if ($answers->email === null) {
            throw new GoOn('Something in it is not right.');
        }
        $visitor ??= bin2hex(random_bytes(16));
        $id = $this->written(new ReceivedSignup(Ids::at($this->now), FormToken::key($token->nonce, $answers->email->key), $funnel, $version,
            $page->page, $variant, $plan->id, $visitor,
            Browser::zone($posted['zone'] ?? null) ?? Browser::zone($ask->kept(SiteCookie::Zone)), self::json($sent),
            self::json(ReceivedSignup::shown($plan, $answers)), $ask->ip, $ask->userAgent, $this->now));
        $to = $form['to'] ?? $home->to(Confirmations::waitingPath($id));

        return new Answer(303, ['Location' => $to, 'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-cache, private'] + AnswerKind::Plain->headers()
            + ($ask->secure ? ['Strict-Transport-Security' => PageHeaders::STRICT_TRANSPORT] : []), self::body($to),
            [SiteCookies::line(SiteCookie::Joined, $id, $this->now, $home),
                SiteCookies::forgottenLine(SiteCookie::Registration, $this->now, $home),
                SiteCookies::line(SiteCookie::Visitor, $visitor, $this->now)], $this->database);
    }

    /**
     * @return string the id of what it becomes
     *
     * @throws GoOn where nothing could be written down
     */
    private function written(ReceivedSignup $signup): string
    {
        $note = $this->pdo->prepare(ReceivedSignup::NOTE);
        $note->execute($signup->values());
        $id = $note->fetchColumn();
        $note->closeCursor();
        if ($id === false) {
            // It was sent before, or is one too many.
            $before = $this->pdo->prepare(ReceivedSignup::BEFORE);
            $before->execute([$signup->token, $signup->token]);
            $id = $before->fetchColumn();
            $before->closeCursor();
        }

        return is_string($id) ? $id : throw new GoOn('It is one too many, or its page is not live any more.');
    }

    /**
     * @param  array<string, mixed>  $what
     *
     * @throws GoOn for broken letters, and for more than anybody types
     */
    private static function json(array $what): string
    {
        $json = json_encode($what, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);

        return $json !== false && strlen($json) <= self::LONGEST ? $json : throw new GoOn('It is no plain form.');
    }

    /** What a browser shows that follows no redirects, as the framework has it. */
    private static function body(string $to): string
    {
        $to = htmlspecialchars($to, ENT_QUOTES, 'UTF-8');

        return "<!DOCTYPE html>\n<html>\n    <head>\n        <meta charset=\"UTF-8\" />\n        <meta http-equiv=\"refresh\" "
            ."content=\"0;url='{$to}'\" />\n\n        <title>Redirecting to {$to}</title>\n    </head>\n    <body>\n        Redirecting to "
            ."<a href=\"{$to}\">{$to}</a>.\n    </body>\n</html>";
    }
}

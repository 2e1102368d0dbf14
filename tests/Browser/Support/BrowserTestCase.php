<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;

/** Drives the real interface in a real Chromium, through the real nginx of the tests' own house. */
abstract class BrowserTestCase extends TestCase
{
    private static ?Chrome $chrome = null;

    private static ?RemoteWebDriver $driver = null;

    public RemoteWebDriver $browser;

    public static function tearDownAfterClass(): void
    {
        self::$chrome?->quit();
        self::$chrome = self::$driver = null;
    }

    protected function setUp(): void
    {
        parent::setUp();
        self::$chrome ??= new Chrome();
        $this->browser = self::$driver ??= self::$chrome->open();
        self::$chrome->device([]);
        $this->forget();
        $this->browser->manage()->getLog('browser');
    }

    /** @param array{width?: int, height?: int, dark?: bool, zone?: string} $device */
    public function device(array $device): void
    {
        self::$chrome?->device($device);
    }

    /** Leaves the page and everything it had been given, as a browser just opened. */
    public function forget(): void
    {
        $this->browser->get('about:blank');
        self::$chrome?->forget();
    }

    public function address(string $path): string
    {
        return $this->setting('APP_URL') . $path;
    }

    public function setting(string $name): string
    {
        $file = (string) file_get_contents(getenv('SYNDEX_VAR') . '/app.env');

        return preg_match("/^$name=(.*)$/m", $file, $m) === 1 ? $m[1] : throw new \RuntimeException("There is no setting $name.");
    }

    public function signIn(string $name = 'Wanjiru Achola'): void
    {
        // An answer under way while the browser was emptied may bring its cookie back: then it is emptied again.
        for ($try = 0; $try < 3; $try++) {
            $this->browser->get($this->address('/'));
            $this->waitFor(fn(): bool => str_contains($this->text(), 'This is the demo') || str_contains($this->text(), 'Today'), 'a page');
            if (str_contains($this->text(), 'This is the demo')) {
                break;
            }
            $this->forget();
        }
        $this->press('button', "Sign in as $name");
        $this->see('Needs you', orWhen: $name === 'Inês Varela' ? 'time' : null);
    }

    /** Goes to a page without loading everything anew. */
    public function visit(string $path): void
    {
        $this->browser->executeScript("history.pushState({}, '', arguments[0]); dispatchEvent(new PopStateEvent('popstate'));", [$path]);
    }

    /** Waits until a text stands on the page. */
    public function see(string $text, ?string $orWhen = null): void
    {
        $this->waitFor(fn(): bool => str_contains($this->text(), $text) || ($orWhen !== null && str_contains($this->text(), $orWhen)), "\"$text\"");
    }

    public function text(): string
    {
        return (string) $this->browser->executeScript('return document.body.innerText');
    }

    /** The first element of a tag whose accessible label or text is as given, once it is there. */
    public function named(string $tag, string $name): RemoteWebElement
    {
        return $this->find("//{$tag}[normalize-space(.)=" . self::quoted($name) . ' or @aria-label=' . self::quoted($name) . ']', "$tag \"$name\"");
    }

    /** The field with this label. */
    public function field(string $label): RemoteWebElement
    {
        $quoted = self::quoted($label);

        return $this->find("//*[(self::input or self::textarea or self::select) and (@aria-label=$quoted or @id=//label[normalize-space(.)=$quoted]/@for)]", "field \"$label\"");
    }

    public function find(string $xpath, ?string $what = null): RemoteWebElement
    {
        $found = null;
        $this->waitFor(function () use ($xpath, &$found): bool {
            foreach ($this->browser->findElements(WebDriverBy::xpath($xpath)) as $element) {
                if ($element->isDisplayed()) {
                    $found = $element;

                    return true;
                }
            }

            return false;
        }, $what ?? $xpath);
        assert($found instanceof RemoteWebElement);

        return $found;
    }

    public function press(string $tag, string $name): void
    {
        $this->waitFor(function () use ($tag, $name): bool {
            $found = $this->named($tag, $name);
            // A press on what is still disabled would be lost without a word.
            if (!$found->isEnabled()) {
                return false;
            }
            $found->click();

            return true;
        }, "$tag \"$name\"");
    }

    public function pressAt(string $xpath): void
    {
        $this->waitFor(function () use ($xpath): bool {
            $found = $this->find($xpath);
            if (!$found->isEnabled()) {
                return false;
            }
            $found->click();

            return true;
        }, $xpath);
    }

    public function css(string $selector): RemoteWebElement
    {
        $this->waitFor(fn(): bool => $this->browser->findElements(WebDriverBy::cssSelector($selector)) !== [], $selector);

        return $this->browser->findElement(WebDriverBy::cssSelector($selector));
    }

    /** Replaces what stands in a field, as a person does. */
    public function fill(RemoteWebElement $field, string $text): void
    {
        $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $field->sendKeys(WebDriverKeys::BACKSPACE);
        $field->sendKeys($text);
    }

    /** Sets a date, a time or a choice, whose typing depends on the browser's language. */
    public function set(RemoteWebElement $field, string $value): void
    {
        $this->browser->executeScript(<<<'JS'
            const [field, value] = arguments;
            const proto = field.tagName === 'SELECT' ? HTMLSelectElement.prototype : HTMLInputElement.prototype;
            Object.getOwnPropertyDescriptor(proto, 'value').set.call(field, value);
            field.dispatchEvent(new Event(field.tagName === 'SELECT' ? 'change' : 'input', { bubbles: true }));
            JS, [$field, $value]);
    }

    /** @param callable(): bool $condition */
    public function waitFor(callable $condition, string $what, int $seconds = 12): void
    {
        $until = microtime(true) + $seconds;
        do {
            try {
                if ($condition()) {
                    return;
                }
            } catch (StaleElementReferenceException|ElementClickInterceptedException) {
                // The page was drawn anew meanwhile: look again.
            }
            usleep(40_000);
        } while (microtime(true) < $until);
        $this->fail("$what did not come. The page says:\n" . mb_substr($this->text(), 0, 1500));
    }

    /** What stands on the sheet is on the server, too: a browser that is closed before would leave it to the next test as it was. */
    public function expectSaved(): void
    {
        $this->waitFor(fn(): bool => !str_contains($this->text(), 'saving the draft') && !str_contains($this->text(), 'not saved'), 'the sheet, saved');
    }

    /** Nothing on this page is found wanting by axe-core: WCAG 2.0 to 2.2, A and AA. */
    public function expectAccessible(string $where): void
    {
        static $axe = null;
        $axe ??= (string) file_get_contents(dirname(__DIR__, 3) . '/node_modules/axe-core/axe.min.js');
        $this->browser->executeScript($axe);
        $found = $this->browser->executeAsyncScript(<<<'JS'
            const done = arguments[arguments.length - 1];
            axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] })
              .then((r) => done(r.violations.map((v) => `${v.id}: ${v.help}\n    ${v.nodes.slice(0, 4).map((n) => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')).join('\n    ')}`)), (e) => done([String(e)]));
            JS);
        expect($found)->toBe([], "axe-core, $where:\n" . implode("\n", (array) $found));
    }

    public function expectNoSidewaysScroll(string $where): void
    {
        [$wide, $seen] = (array) $this->browser->executeScript('return [document.documentElement.scrollWidth, document.documentElement.clientWidth]');
        expect($wide)->toBeLessThanOrEqual($seen, "$where scrolls sideways: $wide of $seen");
    }

    /** No error was written to the console since the last question, but for those that a test brings about. */
    public function expectQuietConsole(?string $but = null): void
    {
        $errors = array_values(array_filter((array) $this->browser->manage()->getLog('browser'), static fn(array $entry): bool => $entry['level'] === 'SEVERE' && ($but === null || !str_contains($entry['message'], $but))));
        expect(array_column($errors, 'message'))->toBe([]);
    }

    /** @return list<array<string, mixed>> what lies in the post room for an address */
    public function mails(string $address): array
    {
        return json_decode((string) file_get_contents($this->setting('POSTROOM_PAGE') . '/api/mails?to=' . urlencode($address)), true);
    }

    /**
     * The mail of a subject to an address, once it has arrived.
     *
     * @param  string  $words  that stand in its text
     * @return array{subject: string, text: string}
     */
    public function mail(string $address, string $subject, string $words = ''): array
    {
        $found = [];
        $this->waitFor(function () use ($address, $subject, $words, &$found): bool {
            foreach ($this->mails($address) as $one) {
                if (!str_starts_with($one['subject'], $subject)) {
                    continue;
                }
                $mail = (array) json_decode((string) file_get_contents($this->setting('POSTROOM_PAGE') . '/api/mails/' . $one['number']), true);
                if ($words === '' || str_contains((string) $mail['text'], $words)) {
                    $found = $mail;
                }
            }

            return $found !== [];
        }, "\"$subject\" to $address", 20);

        return $found;
    }

    private static function quoted(string $text): string
    {
        return str_contains($text, "'") ? '"' . $text . '"' : "'$text'";
    }
}

<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Cookie;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Someone in front of the browser: looks, clicks, types; waits for a state, never for a time. */
final class Person
{
    /** @var array<string, list<Cookie>> of those who have signed in */
    private static array $sessions = [];

    private readonly RemoteWebDriver $browser;

    public function __construct(private readonly Application $application, bool $second = false)
    {
        $this->browser = $second ? $application->secondBrowser() : $application->browser();
    }

    /** @param  bool  $second  in a browser beside the first person's */
    public static function signedIn(string $email, bool $second = false): self
    {
        $person = new self(Application::running(), $second);
        // from a page that asks for nothing: an answer still under way would bring the cookie of whoever was here back
        $person->browser->get('about:blank');
        (new ChromeDevToolsDriver($person->browser))->execute('Network.clearBrowserCookies');
        $person->opens('/sign-in');
        $key = $email.($second ? ' second' : '');
        if (isset(self::$sessions[$key])) { // signed in before: too many attempts in a minute would be refused
            array_map($person->browser->manage()->addCookie(...), self::$sessions[$key]);

            $person->opens('/');
            $isIn = fn (): bool => str_contains($person->text(), 'Needs you');
            Application::await(fn () => $isIn() || str_contains($person->text(), 'Email address'), 'somebody signed in, or the way in');
            if ($isIn()) {
                return $person;
            }
            // a late answer to whoever was here before had its own cookie kept: they sign in anew
        }
        $person->types('#email', $email)->types('#password', 'river-and-wind')->clicks("//button[@type='submit']")
            ->sees('Needs you');
        self::$sessions[$key] = $person->browser->manage()->getCookies();

        return $person;
    }

    public function opens(string $path): self
    {
        $this->browser->get($this->application->address($path));

        return $this;
    }

    /** Waits until a text is on the page. */
    public function sees(string $text): self
    {
        Application::await(fn () => str_contains($this->text(), $text), fn () => "'{$text}' on the page; it says:\n{$this->text()}");

        return $this;
    }

    /** Waits until an element is there. */
    public function finds(string $where): self
    {
        $this->find($where);

        return $this;
    }

    public function seesNot(string $text): self
    {
        Application::await(fn () => ! str_contains($this->text(), $text), fn () => "'{$text}' to go from the page; it says:\n{$this->text()}");

        return $this;
    }

    /** @param  string  $where  an XPath, or a CSS selector that does not begin with a slash */
    public function clicks(string $where): self
    {
        $stood = null; // what is still moving to its place, as a panel that has just opened, would be missed
        Application::await(function () use ($where, &$stood): bool {
            try {
                $element = $this->find($where);
                $this->browser->executeScript("arguments[0].scrollIntoView({block: 'center'})", [$element]);
                $box = $this->browser->executeScript('const box = arguments[0].getBoundingClientRect(); return [box.x, box.y]', [$element]);
                if ($box !== $stood) {
                    $stood = $box;

                    return false;
                }
                $element->click();

                return true;
            } catch (StaleElementReferenceException|ElementClickInterceptedException) {
                return false;
            }
        }, "{$where} to be clicked");

        return $this;
    }

    public function types(string $where, string $text): self
    {
        $field = $this->find($where);
        $field->click();
        $this->browser->executeScript('arguments[0].select && arguments[0].select()', [$field]);
        $field->sendKeys($text);

        return $this;
    }

    /** Puts a text into a field as pasting does, tabs and line breaks too. */
    public function pastes(string $where, string $text): self
    {
        $this->browser->executeScript(
            "const field = arguments[0];
            field.focus();
            Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value').set.call(field, arguments[1]);
            field.dispatchEvent(new Event('input', { bubbles: true }));",
            [$this->find($where), $text],
        );

        return $this;
    }

    /** Chooses a file. */
    public function attaches(string $where, string $path): self
    {
        $this->find($where)->sendKeys($path);

        return $this;
    }

    /** Presses keys where the focus is: letters, or names of {@see WebDriverKeys}. */
    public function presses(string ...$keys): self
    {
        foreach ($keys as $key) {
            $name = WebDriverKeys::class.'::'.$key;
            $this->sends(defined($name) ? (string) constant($name) : $key);
        }

        return $this;
    }

    /** Presses a key while another is held. */
    public function pressesWith(string $held, string $key): self
    {
        $name = WebDriverKeys::class.'::'.$key;
        $this->sends([(string) constant(WebDriverKeys::class.'::'.$held), defined($name) ? (string) constant($name) : $key]);

        return $this;
    }

    /**
     * What has the focus may be drawn anew in the moment in which a key goes to it; then nothing has been pressed.
     *
     * @param  string|list<string>  $keys
     */
    private function sends(string|array $keys): void
    {
        Application::await(function () use ($keys): bool {
            try {
                $this->browser->getKeyboard()->sendKeys($keys);

                return true;
            } catch (StaleElementReferenceException|ElementNotInteractableException) {
                return false;
            }
        }, 'something that takes a key');
    }

    /** Puts the focus somewhere and waits until it stays there, as what has just been drawn may be drawn once more. */
    public function focuses(string $where): self
    {
        $stayed = 0;
        Application::await(function () use ($where, &$stayed): bool {
            try {
                $element = $this->find($where);
                if ($this->browser->executeScript('return document.activeElement === arguments[0]', [$element])) {
                    return ++$stayed > 1;
                }
                $stayed = 0;
                $this->browser->executeScript('arguments[0].focus()', [$element]);
            } catch (StaleElementReferenceException) {
                $stayed = 0;
            }

            return false;
        }, "the focus to stay on {$where}");

        return $this;
    }

    public function reads(string $where): string
    {
        return (string) Application::await(function () use ($where): string {
            try {
                return trim($this->find($where)->getText()) ?: trim((string) $this->find($where)->getAttribute('value')) ?: ' ';
            } catch (StaleElementReferenceException) {
                return '';
            }
        }, "{$where} to be read");
    }

    public function readsTrimmed(string $where): string
    {
        return trim($this->reads($where));
    }

    public function counts(string $where): int
    {
        return count($this->browser->findElements($this->by($where)));
    }

    public function focusIsOn(string $where): bool
    {
        return (bool) $this->browser->executeScript('return document.activeElement === arguments[0]', [$this->find($where)]);
    }

    /** What the browser complained about since it was last asked; an empty list when all is well. */
    public function complaints(): array
    {
        $entries = array_filter(
            $this->browser->manage()->getLog('browser'),
            fn (array $entry) => $entry['level'] === 'SEVERE' && ! str_contains($entry['message'], 'status of 422'),
        );

        return array_values(array_map(fn (array $entry) => $entry['message'], $entries));
    }

    public function find(string $where): RemoteWebElement
    {
        return Application::await(function () use ($where): ?RemoteWebElement {
            $found = $this->browser->findElements($this->by($where));

            return $found[0] ?? null;
        }, $where);
    }

    /** What can be read on the page. The driver's own way takes two seconds where a list is long. */
    private function text(): string
    {
        return (string) $this->browser->executeScript('return document.body?.innerText ?? ""');
    }

    private function by(string $where): WebDriverBy
    {
        return str_starts_with($where, '/') || str_starts_with($where, '(') ? WebDriverBy::xpath($where) : WebDriverBy::cssSelector($where);
    }
}

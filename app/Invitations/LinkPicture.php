<?php

declare(strict_types=1);

namespace App\Invitations;

use Illuminate\Support\Facades\Log;
use Symfony\Component\Process\Exception\ExceptionInterface;
use Symfony\Component\Process\Process;

/** A picture of a link that telephones read (ISO/IEC 18004), as the package draws it which draws it on the page as well. */
final class LinkPicture
{
    private const SECONDS = 10;

    /** @var array<string, ?string> drawn once for all recipients */
    private array $drawn = [];

    /** @return ?string a PNG; null where it could not be drawn: the link itself stands in the mail all the same */
    public function of(#[\SensitiveParameter] string $link): ?string
    {
        $key = hash('xxh128', $link);
        if (count($this->drawn) > 20) {
            $this->drawn = [];
        }

        return array_key_exists($key, $this->drawn) ? $this->drawn[$key] : $this->drawn[$key] = $this->draw($link);
    }

    private function draw(#[\SensitiveParameter] string $link): ?string
    {
        try {
            $process = new Process(['node', base_path('ops/qr.mjs')], null, null, $link, self::SECONDS);
            $process->run();
            $png = $process->getOutput();
            if ($process->isSuccessful() && str_starts_with($png, "\x89PNG")) {
                return $png;
            }
        } catch (ExceptionInterface) {
            // Said below: what it says itself could hold the link.
        }
        Log::warning('A link could not be drawn for a mail, which goes without the picture.');

        return null;
    }
}

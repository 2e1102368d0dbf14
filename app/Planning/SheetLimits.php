<?php

declare(strict_types=1);

namespace App\Planning;

/** How much a plan sheet holds, whether it is typed or comes from a file. Letters of a text, items of a list. */
final class SheetLimits
{
    public const TITLE = 200;

    public const PURPOSE = 5000;

    public const PLACE = 300;

    public const AGENDA = 60;

    public const LINKS = 30;

    public const ADDRESS = 2000;

    public const PEOPLE = 10_000;

    /** Who come from a file or a mail: each is found or remembered one by one. */
    public const PEOPLE_OF_A_FILE = 500;

    public const OWN_DATES = 200;

    public const RULE = 2000;
}

<?php

declare(strict_types=1);

namespace App\Import;

/** A file of more people, or of wider rows, than are taken at once. */
final class TooLargeTable extends \RuntimeException {}

"""The papers that are printed on. Apart from `pdf`, which is slow to import."""

from typing import Literal

Paper = Literal["a4", "letter"]

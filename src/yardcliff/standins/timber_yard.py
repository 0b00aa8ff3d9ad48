"""A made-up timber yard as a service of its own: a price list that changes a little by the day,
stock that runs out, pieces that are marked down, and the manners of a real remote: now and then it
is slow, or busy.
"""

import asyncio
from datetime import UTC, date, datetime
from hashlib import blake2b
from typing import Any

from fastapi import FastAPI, HTTPException, Query

from yardcliff.core.units.length import exact_text
from yardcliff.core.units.trade import Trade
from yardcliff.core.wood.stock import Sold, sold
from yardcliff.data import table

NAME: dict[Trade, str] = {"metric": "Cairnfoot Timber", "us": "Cairnfoot Lumber"}
"""What it is called where it sells by the millimetre, and where by the inch."""
CUBIC = {
    ("board", "softwood"): 980,
    ("board", "hardwood"): 3600,
    ("sheet", "softwood"): 1500,
    ("sheet", "hardwood"): 4600,
    ("dowel", "hardwood"): 5200,
    ("pipe", "plastic"): 1400,
    ("bar", "steel"): 42_000,
    ("bar", "brass"): 160_000,
    ("threaded rod", "steel"): 52_000,
}
"""Made-up prices of a cubic metre."""
SAWING = 0.55
"""What is asked for handling a piece."""
SLOW, BUSY, WAIT = 5, 7, 3.0
"""Every so many answers it is slow by so many seconds, or busy."""


def _by_chance(*of: object) -> int:
    """A number that looks random, and is the same for the same yard, day and article."""
    return int.from_bytes(blake2b(repr(of).encode(), digest_size=4).digest(), "big")


def price_list(day: date, currency: str, trade: Trade = "metric") -> dict[str, Any]:
    """What the yard has on a day, as its service gives it."""
    offers = [
        offer
        for one in sold(trade)
        for long in one.longs
        if (offer := _offer(one, float(long), day))
    ]
    wares = [
        {
            "kind": row["kind"],
            "name": row["name"],
            "pack": int(row["pack"]),
            "price": row["price"],
            "stock": (
                0
                if _by_chance(day, row["name"]) % 40 == 0
                else _by_chance("many", row["name"]) % 60 + 3
            ),
        }
        for row in table("wares", trade)
    ]
    return {
        "supplier": NAME[trade],
        "currency": currency,
        "taken": day.isoformat(),
        "offers": offers,
        "wares": wares,
    }


def _offer(one: Sold, long: float, day: date) -> dict[str, Any]:
    section = one.section
    volume = float(section.wide * section.thick) * long / 1e9
    mood = 1 + (_by_chance(one.name, day.isocalendar().week) % 9 - 4) / 100
    price = round((volume * CUBIC[section.form, section.stuff] * mood + SAWING) * 20) * 5
    luck = _by_chance("luck", one.name, long, day.isocalendar().week) % 100
    offer = {
        **section.model_dump(mode="json"),
        "name": one.name,
        "long": f"{long:g} mm",
        "price": price,
        "wide": exact_text(section.wide),
        "thick": exact_text(section.thick),
        "stock": 0 if luck < 6 else luck // 3 + 2,
    }
    return (
        offer | {"was": price, "price": round(price * 0.65), "stock": luck % 3 + 1}
        if luck > 93
        else offer
    )


def create_yard(*, moody: bool = True) -> FastAPI:
    """The service. One that is not `moody` always answers at once."""
    yard = FastAPI(title=NAME["metric"], openapi_url=None)
    yard.state.asked = 0

    @yard.get("/prices")
    async def prices(
        currency: str = Query("EUR", pattern="^[A-Z]{3}$"), trade: Trade = "metric"
    ) -> dict[str, Any]:
        yard.state.asked += 1
        if moody and yard.state.asked % SLOW == 0:
            await asyncio.sleep(WAIT)
        if moody and yard.state.asked % BUSY == 0:
            raise HTTPException(503, "Busy: ask again.")
        return price_list(datetime.now(UTC).date(), currency, trade)

    return yard

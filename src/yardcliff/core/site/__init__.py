"""The wall it hangs on: survey, place, fixing, loads, putting it up. Reads any rack; asks no family."""

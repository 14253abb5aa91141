import fc from "fast-check";

/** One seed for the property tests of a run, printed when the run starts; FAST_CHECK_SEED runs the same cases again. */
fc.configureGlobal({ seed: Number(process.env["FAST_CHECK_SEED"]) });

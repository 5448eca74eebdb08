package buckle.pulse;

import org.hipparchus.complex.Complex;

/** A supply and what it drives at one frequency. */
record Feed(Supply.Terminals terminals, Complex rodsOhm, Complex rootV) {
    /** @param tied share of the return that passes no rod, in earth wires tied to the terminal */
    static Feed of(Supply supply, Complex s, Complex tied, TreeSweep sweep) {
        Supply.Terminals terminals = supply.terminals(s);
        Complex rods = tied.negate().add(1).multiply(supply.earthOhm());
        Complex behind = terminals.innerOhm().add(rods);
        Complex fence = new Complex(sweep.fenceRe(), sweep.fenceIm());
        Complex seen = behind.reciprocal();
        sweep.source(seen.getReal(), seen.getImaginary());
        return new Feed(
                terminals, rods, terminals.openV().divide(behind.multiply(fence).add(1)));
    }

    private Complex behind() {
        return terminals.innerOhm().add(rodsOhm);
    }

    /** Into the fence, from the voltage at its beginning. */
    Complex current(double rootRe, double rootIm) {
        return terminals.openV().subtract(new Complex(rootRe, rootIm)).divide(behind());
    }

    /** Volts over the rods that go with a volt less at the beginning of the fence. */
    Complex rodsPerRoot() {
        return rodsOhm.divide(behind());
    }
}

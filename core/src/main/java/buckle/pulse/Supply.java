package buckle.pulse;

import org.hipparchus.complex.Complex;

/**
 * What a circuit is fed by: an energizer and its ground rods.
 *
 * @param earthOhm of the ground rods, in series with the fence
 */
public record Supply(Source source, double earthOhm) {
    /** Volts across the terminals with nothing connected, and the impedance behind them, at one frequency. */
    record Terminals(Complex openV, Complex innerOhm) {}

    Terminals terminals(Complex s) {
        Complex inner = s.multiply(source.henryH())
                .add(source.ohm())
                .add(s.multiply(source.faradF()).reciprocal());
        Complex across = s.multiply(source.terminalF().orElse(0))
                .add(source.bleedOhm().isPresent() ? 1 / source.bleedOhm().getAsDouble() : 0);
        Complex lost = inner.multiply(across).add(1);
        return new Terminals(s.reciprocal().multiply(source.chargedV()).divide(lost), inner.divide(lost));
    }
}

package buckle.pulse;

/**
 * How what is read along a fence that stands moves away from what its circuit comes to: not at the energizer and hardly on a short
 * fence, all of which is one node to the pulse.
 *
 * @param atKm a kilometre from the energizer, as the logarithm of a factor
 */
public record Drift(double atKm) {
    /** As computed. */
    public static final Drift NONE = new Drift(0);

    private static final double MOST = 8;

    public Drift {
        LineWire.require(Math.abs(atKm) <= MOST, "a drift of " + atKm + " is not between -8 and 8");
    }

    /** Another on top, a part of it. */
    public Drift plus(Drift other, double part) {
        return new Drift(atKm + part * other.atKm);
    }

    /** What is read for each volt and ampere that is computed. */
    public double factor(double wayM) {
        return atKm == 0 ? 1 : Math.exp(atKm * part(wayM));
    }

    /** How far it has come after a way, of what it comes to in a kilometre: by the square of the way until then, by its root beyond. */
    public static double part(double wayM) {
        double km = wayM / 1000;
        return km < 1 ? km * km : Math.sqrt(km);
    }
}

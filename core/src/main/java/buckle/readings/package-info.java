/**
 * Voltage readings and what they say about each section. Readings are never changed; a correction is a new reading that
 * names the old one. Volts inside, kilovolts only on the meter. Imports units, rulebook, site, spec and layout.
 */
@NullMarked
package buckle.readings;

import org.jspecify.annotations.NullMarked;

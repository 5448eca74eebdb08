/**
 * What is needed to stake a layout out on the ground, and what changes when the ground turns out otherwise. Imports all
 * above it, layout included.
 */
@NullMarked
package buckle.setout;

import org.jspecify.annotations.NullMarked;

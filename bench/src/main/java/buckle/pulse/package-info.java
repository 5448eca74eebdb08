/** Beside the solver, to see its parts: a straightforward version to compare with. */
package buckle.pulse;

/**
 * What the checks notice in a show: findings, each with its evidence and, where there is one, the edit that mends it. A check is
 * a function of the show and of what is known of the network at that moment, which comes as an argument.
 */
package imperan.check;

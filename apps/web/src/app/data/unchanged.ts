/** Returns a function that computes anew only when one of the values it is given is another one; else it returns what it returned before. */
export function whileUnchanged<Known extends object, Made>(make: (known: Known) => Made): (known: Known) => Made {
  let last: { known: Known; made: Made } | undefined;
  return (known) => {
    const before = last;
    const isSame = before && (Object.keys(known) as (keyof Known)[]).every((key) => before.known[key] === known[key]);
    if (isSame) return before.made;
    last = { known, made: make(known) };
    return last.made;
  };
}

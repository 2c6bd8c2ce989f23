/** Which members and items some keyword has looked at, for `unevaluatedProperties` and `unevaluatedItems`. */
export class Seen {
  allMembers = false;
  allItems = false;
  readonly members = new Set<string>();
  readonly items = new Set<number>();
  itemsBefore = 0;

  add(other: Seen): void {
    this.allMembers ||= other.allMembers;
    this.allItems ||= other.allItems;
    this.itemsBefore = Math.max(this.itemsBefore, other.itemsBefore);
    for (const name of other.members) this.members.add(name);
    for (const index of other.items) this.items.add(index);
  }
}

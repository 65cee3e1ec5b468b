using Yardang.Core.Marks;
using Yardang.Core.Rooms;

namespace Yardang.Core.Editing;

/// <summary>Whose mark is whose: the one place where it is decided who may change what.</summary>
public static class Ownership
{
    /// <summary>Why this person may not change this property of this mark; null if they may.</summary>
    public static Refusal? WhyNot(Actor actor, Mark mark, Property property)
    {
        // What a teacher took down stays as it is until it is put back, whoever would change it.
        if (property == Property.Down) return actor.IsStaff && mark is { Grip: Grip.Own, ByStaff: false, Erased: false } ? null : Refusal.NotAllowed;
        if (mark.Down != TakenDown.No) return Refusal.ChangedSince;
        if (actor.IsStaff) return null;
        if (property == Property.Grip) return Refusal.NotAllowed;
        if (mark.Pinned && property is Property.Place or Property.Scale) return Refusal.Pinned;
        return mark.Grip switch
        {
            Grip.Key => Refusal.NotFound,
            Grip.Printed => Refusal.Printed,
            Grip.Loose => property == Property.Place ? null : Refusal.LooseOnlyMoves,
            _ => mark.Author == actor.Number && !mark.ByStaff ? null : Refusal.NotYours,
        };
    }

    /// <summary>Why this person may not add a mark with this grip; null if they may.</summary>
    public static Refusal? WhyNotAdd(Actor actor, Grip grip) =>
        actor.IsStaff || grip == Grip.Own ? null : Refusal.NotAllowed;
}

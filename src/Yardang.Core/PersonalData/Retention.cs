namespace Yardang.Core.PersonalData;

/// <summary>How long a lesson is kept, and when its teacher is told that it goes. Nothing goes that was not told of before.</summary>
/// <param name="LastUsed">When something was last done in it, or is still planned.</param>
/// <param name="Chosen">The day on which its teacher wants it deleted, from its beginning; null for none.</param>
/// <param name="SchoolKeeps">For how long the school keeps lessons at most after they were last used; null for as long as teachers wish.</param>
/// <param name="ToldAt">When its teacher was told that it goes; null if not yet.</param>
public sealed record Retention(DateTimeOffset LastUsed, DateTimeOffset? Chosen, TimeSpan? SchoolKeeps, DateTimeOffset? ToldAt)
{
    /// <summary>How long before it goes its teacher is told. A day that she chooses may be nearer.</summary>
    public static readonly TimeSpan Notice = TimeSpan.FromDays(14);

    /// <summary>For how long it is not deleted after it was used, whatever was chosen: nobody loses what they are working on.</summary>
    public static readonly TimeSpan Rest = TimeSpan.FromDays(1);

    /// <summary>For how long its archive can be taken along after it was deleted.</summary>
    public static readonly TimeSpan ArchiveStays = TimeSpan.FromDays(30);

    /// <summary>The last day that can be chosen; null for any.</summary>
    public DateTimeOffset? Latest => LastUsed + SchoolKeeps;

    /// <summary>Whether its teacher's choice is what ends it, and not the school's rule.</summary>
    public bool IsChosen => Chosen is { } chosen && !(Latest < chosen);

    // Without regard to whether anybody was told.
    private DateTimeOffset? Planned => IsChosen ? Later(Chosen!.Value, LastUsed + Rest) : Latest;

    /// <summary>When it is deleted; null if it is kept. Under the school's rule never before its teacher had her notice.</summary>
    public DateTimeOffset? DeletedAt(DateTimeOffset now) => IsChosen ? Planned : Planned is { } planned ? Later(planned, (Told(now) ? ToldAt!.Value : now) + Notice) : null;

    /// <summary>Whether its teacher is to be told now.</summary>
    public bool IsToBeTold(DateTimeOffset now) => IsNear(now) && ToldAt is null;

    /// <summary>Whether what she was told holds no more: it was used again, or she chose another day.</summary>
    public bool IsToldInVain(DateTimeOffset now) => ToldAt is not null && !IsNear(now);

    /// <summary>Whether it is to be deleted now.</summary>
    public bool IsDue(DateTimeOffset now) => Told(now) && DeletedAt(now) <= now;

    /// <summary>Whether it goes soon.</summary>
    public bool IsNear(DateTimeOffset now) => Planned - Notice <= now;

    private bool Told(DateTimeOffset now) => ToldAt is not null && IsNear(now);

    private static DateTimeOffset Later(DateTimeOffset one, DateTimeOffset other) => one > other ? one : other;
}

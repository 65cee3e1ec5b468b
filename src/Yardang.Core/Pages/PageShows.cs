using System.Text.Json.Serialization;
using Yardang.Core.Attachments;

namespace Yardang.Core.Pages;

/// <summary>What students may record and attach on a page. Pictures and formulas are tools (<see cref="ToolSet"/>); nobody speaks, films or leads elsewhere where no teacher has said so.</summary>
/// <param name="Kinds">Which kinds.</param>
/// <param name="Seconds">How long a recording may be, s.</param>
public sealed record PageShows(AttachmentKinds Kinds, int Seconds)
{
    /// <summary>The kinds that stand on pages as they are.</summary>
    public const AttachmentKinds OnPages = AttachmentKinds.Links | AttachmentKinds.Voices | AttachmentKinds.Films | AttachmentKinds.Files;

    /// <summary>Whether all is within its ranges.</summary>
    [JsonIgnore]
    public bool IsValid => (Kinds & ~OnPages) == AttachmentKinds.None && Seconds >= Recordings.LeastSeconds && Seconds * 1_000 <= Recordings.Longest;

    /// <summary>Whether students may put something on the page.</summary>
    public bool Lets(Attachment shown) => Kinds.HasFlag(shown.Kind()) && shown.Lasts() <= (Seconds * 1_000) + Recordings.Tolerance;
}

using System.Text.Json.Serialization;
using Yardang.Core.Media;

namespace Yardang.Core.Pages;

/// <summary>Kinds of stimulus. The numbers are on the wire.</summary>
public enum StimulusKind
{
    /// <summary>A film.</summary>
    Video = 1,

    /// <summary>Something to listen to.</summary>
    Audio = 2,

    /// <summary>A picture.</summary>
    Picture = 3,

    /// <summary>A page elsewhere, opened beside.</summary>
    Link = 4,
}

/// <summary>Something to look at or to listen to, set next to a page.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Source">Its name in the media store, or the address of a link.</param>
/// <param name="Title">What it is called.</param>
public sealed record Stimulus(StimulusKind Kind, string Source, string Title)
{
    private const int MostLetters = 2_000;
    private const int MostInTitle = 120;

    /// <summary>Whether the source is a name of the media store, or a web address without a password in it.</summary>
    [JsonIgnore]
    public bool IsValid => Enum.IsDefined(Kind) && Title.Length <= MostInTitle && Source.Length <= MostLetters && (Kind == StimulusKind.Link
        ? Uri.TryCreate(Source, UriKind.Absolute, out var address) && address.Scheme is "https" or "http" && address.UserInfo.Length == 0
        : MediaName.IsValid(Source));
}

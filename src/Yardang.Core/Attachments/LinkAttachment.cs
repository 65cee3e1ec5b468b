using System.Text.Json.Serialization;
using Yardang.Core.Media;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Attachments;

/// <summary>A page elsewhere on the web. It is opened there, and never shown inside.</summary>
/// <param name="Address">http or https, without a password in it.</param>
/// <param name="Title">What the page is called; may be empty.</param>
/// <param name="Site">Whose page it is, in words; may be empty.</param>
/// <param name="Picture">A small square picture of it in the media store; may be empty.</param>
[Kind(5)]
public sealed record LinkAttachment(string Address, string Title, string Site, [Since(2)] string Picture = "") : Attachment
{
    /// <summary>Most letters of an address.</summary>
    public const int LongestAddress = 2_000;

    /// <summary>The name of the server on which it is; the address where it has none.</summary>
    [JsonIgnore]
    public string Host => Read(Address)?.Host ?? Address;

    /// <summary>An address as it is kept; null if it is none that is.</summary>
    /// <param name="address">What somebody gave.</param>
    public static Uri? Read(string address) =>
        address.Length <= LongestAddress && !address.Any(char.IsControl) && Uri.TryCreate(address, UriKind.Absolute, out var read) && read.Scheme is "https" or "http" && read.UserInfo.Length == 0 && read.Host.Length > 0 ? read : null;

    /// <inheritdoc/>
    public override AttachmentKinds Kind() => AttachmentKinds.Links;

    /// <inheritdoc/>
    public override bool IsValid() => Read(Address) is not null && Title.Length <= Limits.NameLength && Site.Length <= Limits.NameLength && !Title.Concat(Site).Any(char.IsControl) && (Picture.Length == 0 || MediaName.IsValid(Picture));

    /// <inheritdoc/>
    public override int Weight() => Address.Length + Title.Length + Site.Length + Picture.Length;

    /// <inheritdoc/>
    public override IEnumerable<string> MediaNames() => Picture.Length > 0 ? [Picture] : [];

    /// <inheritdoc/>
    public override Attachment? WithMedia(IReadOnlyDictionary<string, string> names) => this with { Picture = names.GetValueOrDefault(Picture, "") };

    /// <inheritdoc/>
    public override string Said() => Title.Length > 0 ? $"{Title}, {Address}" : Address;
}

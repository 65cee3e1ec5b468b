namespace Yardang.Web.Links;

/// <summary>What a page elsewhere says of itself.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Site">Whose it is.</param>
/// <param name="Picture">A file that it says is a picture of it, as it came; null for none.</param>
public sealed record LinkPreview(string Title, string Site, byte[]? Picture = null);

/// <summary>Looks up what pages elsewhere are called, as an outside service does.</summary>
public interface ILinkPreviews
{
    /// <summary>What a page says of itself; null if nothing is known of it.</summary>
    /// <param name="address">http or https, without a password in it.</param>
    /// <param name="stop">Nobody waits any more.</param>
    Task<LinkPreview?> OfAsync(Uri address, CancellationToken stop);
}

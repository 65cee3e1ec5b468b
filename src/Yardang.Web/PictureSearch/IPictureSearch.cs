namespace Yardang.Web.PictureSearch;

/// <summary>A picture that a search found.</summary>
/// <param name="Id">What the search knows it by.</param>
/// <param name="Title">What it shows.</param>
/// <param name="Credit">Whose it is, and on what terms it may be used.</param>
public sealed record FoundPicture(string Id, string Title, string Credit);

/// <summary>A search for pictures, as an outside service offers it. The one that ships searches the program's own drawings.</summary>
public interface IPictureSearch
{
    /// <summary>Pictures for some words, the best first.</summary>
    Task<IReadOnlyList<FoundPicture>> SearchAsync(string words, CancellationToken stop);

    /// <summary>The file of a picture, so many pixels at its longest side; null if there is none with this id.</summary>
    Task<byte[]?> FetchAsync(string id, int pixels, CancellationToken stop);
}

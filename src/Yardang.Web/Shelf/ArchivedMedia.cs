using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Media;
using Yardang.Core.Pages;
using Yardang.Data.Media;
using Yardang.Rendering;

namespace Yardang.Web.Shelf;

/// <summary>Files of archives. They are looked at anew: what is no picture, film or sound, and no file that may be taken along, is left out.</summary>
public sealed class ArchivedMedia(MediaStore media)
{
    /// <summary>Takes files of an archive in, and gives the names under which they are kept now, by those they had.</summary>
    public async Task<IReadOnlyDictionary<string, string>> TakeAsync(IReadOnlyDictionary<string, byte[]> files)
    {
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (name, bytes) in files)
        {
            var kept = PictureIntake.TakeAgain(bytes) ?? (MediaFile.Read(bytes) is not null || SentFile.Read(bytes) is not null ? bytes : null);
            if (kept is not null) names[name] = await media.KeepAsync(kept);
        }

        return names;
    }

    /// <summary>An activity with the names under which its files are kept now; without those that are not.</summary>
    public static ActivityContent WithMedia(ActivityContent activity, IReadOnlyDictionary<string, string> names)
    {
        var marks = activity.Marks.Select(m => m.Body.WithMedia(names) is { } body ? m with { Body = body } : null).OfType<Mark>();
        return activity with
        {
            Pages = [.. activity.Pages.Select(p => WithMedia(p, names))],
            Marks = [.. marks],
            Parts = activity.Parts is null ? null : [.. activity.Parts.Value.Select(p => p with { Wall = p.Wall?.WithMedia(names) })],
        };
    }

    private static Page WithMedia(Page page, IReadOnlyDictionary<string, string> names)
    {
        if (page.Paper.Media is { } picture) page = page with { Paper = names.TryGetValue(picture, out var kept) ? page.Paper with { Media = kept } : Paper.Plain };
        if (page.Stimulus is { Kind: not StimulusKind.Link } beside) page = page with { Stimulus = names.TryGetValue(beside.Source, out var kept) ? beside with { Source = kept } : null };
        return page;
    }
}

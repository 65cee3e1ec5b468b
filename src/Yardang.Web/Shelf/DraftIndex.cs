using Microsoft.EntityFrameworkCore;
using Yardang.Core.Drafts;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;

namespace Yardang.Web.Shelf;

/// <summary>What the desk knows of activities: name, pages, and all words for searching.</summary>
public sealed class DraftIndex : IProjection
{
    private const int WordsKept = 60_000;

    public IReadOnlyList<RoomKind> Kinds { get; } = [RoomKind.Draft];

    public async Task<IReadOnlyDictionary<Guid, long>> KnownAsync(SchoolContext db) => await db.Activities.ToDictionaryAsync(a => a.DraftId, a => a.IndexedThrough);

    public async Task ProjectAsync(RoomHost room, SchoolContext db)
    {
        if (await db.Activities.SingleOrDefaultAsync(a => a.DraftId == room.Id) is not { } activity) return;
        await room.LookAsync(r =>
        {
            var content = ((Draft)r).Content();
            activity.Name = content.Name.For(ContentLanguage.Current);
            activity.Names = content.Name;
            activity.Pages = content.Pages.Length;
            var words = string.Join('\n', content.Name.ByLanguage.Values.Concat(content.Directions.ByLanguage.Values)
                .Concat(content.Pages.SelectMany(p => p.Name.ByLanguage.Values.Concat(p.Directions?.ByLanguage.Values ?? [])))
                .Concat(content.Steps.SelectMany(p => (p.Name?.ByLanguage.Values ?? []).Concat(p.Wall?.Said() ?? [])))
                .Concat(content.Marks.SelectMany(m => m.Body.Said())));
            activity.Words = words.Length > WordsKept ? words[..WordsKept] : words;
            activity.IndexedThrough = r.Number;
        });
    }
}

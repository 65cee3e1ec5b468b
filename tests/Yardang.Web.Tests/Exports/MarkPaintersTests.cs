using Yardang.Core.Marks;
using Yardang.Rendering;

namespace Yardang.Web.Tests.Exports;

public class MarkPaintersTests
{
    [Fact]
    public void Every_kind_of_mark_is_printed()
    {
        var kinds = typeof(MarkBody).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(MarkBody))).ToList();
        Assert.NotEmpty(kinds);
        Assert.All(kinds, kind => Assert.True(MarkPainters.Knows(kind), $"{kind.Name} has no painter."));
    }

    [Fact]
    public void Every_kind_of_mark_is_in_archives() =>
        Assert.Equal(typeof(MarkBody).Assembly.GetTypes().Count(t => t.IsSubclassOf(typeof(MarkBody))), MarkBody.Kinds.Length);
}

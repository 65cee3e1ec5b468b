using Yardang.Core.Attachments;
using Yardang.Core.Marks;
using Yardang.Rendering;

namespace Yardang.Web.Tests.Exports;

/// <summary>One card on the big screen.</summary>
public class CardPageTests
{
    private static readonly PictureAttachment s_picture = new(new string('a', 64), 1_200, 900, "A paper bridge");
    private static readonly PictureAttachment s_tall = new(new string('b', 64), 300, 2_000, "A pier");

    [Theory]
    [InlineData(0, 1)]
    [InlineData(1, 0)]
    [InlineData(40, 0)]
    [InlineData(40, 1)]
    [InlineData(300, 2)]
    [InlineData(1_000, 0)]
    [InlineData(1_000, 4)]
    public void Whatever_a_card_says_and_shows_it_stays_on_the_page_and_can_be_read_from_the_last_row(int letters, int pictures)
    {
        foreach (var text in new[] { Words(letters), new string('m', letters), string.Concat(Enumerable.Repeat("a\n", letters / 2)) })
        {
            var card = new WallSlip(text, "", [.. Enumerable.Range(0, pictures).Select(i => i % 2 == 0 ? s_picture : s_tall)]);
            var page = CardPage.Of(Words(500), card, 2, _ => null);
            foreach (var mark in page.Marks)
            {
                var box = mark.Body.Box();
                Assert.InRange(box.X, 0, page.Page.Size.Width - box.Width);
                Assert.InRange(box.Y, 0, page.Page.Size.Height - box.Height);

                // 1,920 pixels are as wide as the page.
                if (mark.Words is { Text.Length: > 0 } words) Assert.InRange(words.Size * 1_920.0 / page.Page.Size.Width, 32, 1_000);
            }
        }
    }

    [Fact]
    public void Few_words_are_large_and_pictures_do_not_touch()
    {
        Assert.True(SizeOf(Words(20)) > 2 * SizeOf(Words(600)));
        var pictures = CardPage.Of("", new WallSlip(Words(60), "", [s_picture, s_tall, s_picture]), 2, _ => null).Marks.Where(m => m.Body is PictureBody).Select(m => m.Body.Box()).OrderBy(b => b.X).ToList();
        Assert.Equal(3, pictures.Count);
        for (var i = 1; i < pictures.Count; i++) Assert.True(pictures[i - 1].X + pictures[i - 1].Width < pictures[i].X);
    }

    private static int SizeOf(string text) => CardPage.Of("", new WallSlip(text, ""), 2, _ => null).Marks.Single(m => m.Words?.Text == text).Words!.Size;

    private static string Words(int letters) => string.Concat(Enumerable.Repeat("arches push ", (letters / 12) + 1))[..letters];
}

using Yardang.Core.Likeness;

namespace Yardang.Core.Tests.Likeness;

/// <summary>Which texts resemble one another.</summary>
public class LikeTextsTests
{
    private static readonly string[] s_texts =
    [
        "How thick must a rope be to hold a bridge?", "Why do arches push sideways?", "Who built the stone bridge at the mill?", "What is a truss made of?",
        "Can wind make a bridge swing?", "¿Por qué empujan los arcos?", "Wie schwer darf ein Wagen sein?", "How deep are the piers in the river bed?",
    ];

    [Theory]
    [InlineData("how thik must the ropes be", 0)]
    [InlineData("WHY DO ARCHES PUSH", 1)]
    [InlineData("who built that stone bridge", 2)]
    [InlineData("What are trusses made of", 3)]
    [InlineData("make bridges swing in the wind", 4)]
    [InlineData("por que empuja un arco", 5)]
    [InlineData("how deep is a pier", 7)]
    public void The_same_is_found_in_other_words_with_slips_of_the_pen_and_without_accents(string typed, int wanted) => Assert.Equal(wanted, Some().Find(typed, 0.2, _ => true)[0].Id);

    [Fact]
    public void A_text_is_most_like_itself_and_all_lie_between_nothing_and_the_same()
    {
        var texts = Some();
        for (var i = 0; i < s_texts.Length; i++)
        {
            var found = texts.Find(s_texts[i], 0, _ => true);
            Assert.Equal(i, found[0].Id);
            Assert.Equal(1, found[0].Likeness, 9);
            Assert.All(found, f => Assert.InRange(f.Likeness, 0, 1));
        }
    }

    [Fact]
    public void What_is_not_wanted_too_unlike_or_forgotten_is_not_found_and_another_text_takes_its_place()
    {
        var texts = Some();
        Assert.DoesNotContain(texts.Find(s_texts[1], 0, id => id != 1), f => f.Id == 1);
        Assert.Empty(texts.Find("zebras", 0.3, _ => true));
        texts.Remove(1);
        texts.Remove(1);
        Assert.DoesNotContain(texts.Find(s_texts[1], 0, _ => true), f => f.Id == 1);
        texts.Set(3, s_texts[1]);
        Assert.Equal(3, texts.Find(s_texts[1], 0, _ => true)[0].Id);
        Assert.Equal(s_texts.Length - 1, texts.Count);
    }

    [Fact]
    public void What_is_found_depends_on_the_texts_that_are_there_and_not_on_how_they_came()
    {
        var random = new Random(5);
        for (var round = 0; round < 40; round++)
        {
            var changed = new LikeTexts();
            foreach (var id in Enumerable.Range(0, 30)) changed.Set(random.Next(s_texts.Length), s_texts[random.Next(s_texts.Length)]);
            foreach (var id in Enumerable.Range(0, s_texts.Length)) changed.Set(id, s_texts[id]);
            var typed = string.Join(' ', s_texts[random.Next(s_texts.Length)].Split(' ').Where(_ => random.Next(3) > 0));
            Assert.Equal(Some().Find(typed, 0.1, _ => true), changed.Find(typed, 0.1, _ => true));
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("  \n\t")]
    [InlineData("?!…")]
    [InlineData("\0\u0001\u200f")]
    [InlineData("橋は")]
    public void Whatever_is_typed_is_borne(string typed)
    {
        Assert.All(Some().Find(typed, 0, _ => true), f => Assert.InRange(f.Likeness, 0, 1));
        Assert.All(new LikeTexts().Find(typed, 0, _ => true), f => Assert.Fail("Nothing is there."));
    }

    private static LikeTexts Some()
    {
        var texts = new LikeTexts();
        for (var i = 0; i < s_texts.Length; i++) texts.Set(i, s_texts[i]);
        return texts;
    }
}

using Yardang.Core.Moderation;

namespace Yardang.Core.Tests.Moderation;

/// <summary>Where names are off, names of classmates are found, and words that only look like them are not.</summary>
public class ClassNamesTests
{
    private static readonly WordScreen s_screen = WordScreen.For(WordScreening.Usual)!.With(new(["Maya Quillfeather", "Ben", "Zoë Müller", "Tim", "Will Stone", "Pilar Ruiz", "Jo", "雨", "Ana-Sofía"]));

    [Theory]
    [InlineData("Maya said so", "Maya")]
    [InlineData("i think maya is right", "maya")]
    [InlineData("MAYA'S bridge", "MAYA")]
    [InlineData("Mr Quillfeather", "Quillfeather")]
    [InlineData("ask zoe", "zoe")]
    [InlineData("M\u200baya", "M\u200baya")]
    [InlineData("Ben.", "Ben")]
    [InlineData("with Will Stone", "Will Stone")]
    [InlineData("with 雨 today", "雨")]
    [InlineData("ana sofia", "ana sofia")]
    public void A_name_is_found_as_it_is_written(string text, string name)
    {
        var found = Assert.Single(s_screen.Look(text));
        Assert.Equal((FindingKind.Name, name), (found.Kind, text.Substring(found.Start, found.Length)));
    }

    [Theory]
    [InlineData("It has been bent by bending")]
    [InlineData("many times and timings")]
    [InlineData("The stone will hold")]
    [InlineData("El pilar aguanta")]
    [InlineData("Jo, a mayan benefit")]
    [InlineData("jo and go")]
    public void What_is_no_name_is_left_alone(string text) => Assert.Empty(s_screen.Look(text));

    [Fact]
    public void A_word_that_the_class_may_use_is_no_name_and_without_names_none_is_looked_for()
    {
        var allowing = WordScreen.For(WordScreening.Usual with { Allowed = ["Maya"] })!.With(new(["Maya Quillfeather"]));
        Assert.Empty(allowing.Look("The Maya built bridges"));
        Assert.Single(allowing.Look("Maya Quillfeather built one"));
        Assert.Empty(WordScreen.For(WordScreening.Usual)!.Look("Maya built one"));
    }

    [Fact]
    public void Dots_stand_in_place_of_a_name() => Assert.Equal("•••• built one", WordScreen.Mask("Maya built one", s_screen.Look("Maya built one")));

    [Fact]
    public void Names_beside_what_else_is_found_are_found_too() => Assert.Equal([FindingKind.Word, FindingKind.Name], s_screen.Look("shit, Maya").Select(f => f.Kind));
}

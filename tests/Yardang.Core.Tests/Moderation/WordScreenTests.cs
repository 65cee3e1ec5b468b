using Yardang.Core.Moderation;

namespace Yardang.Core.Tests.Moderation;

/// <summary>The word screen finds what a class should not read, however it is written, and leaves innocent words alone. How well is measured by <c>bench moderate</c>.</summary>
public class WordScreenTests
{
    private static readonly WordScreen s_usual = WordScreen.For(WordScreening.Usual)!;
    private static readonly WordScreen s_young = WordScreen.For(WordScreening.Usual with { ForYoung = true })!;
    private static readonly WordScreen s_details = WordScreen.For(WordScreening.Usual with { Details = true })!;

    [Theory]
    [InlineData("This is shit")]
    [InlineData("SHIT!")]
    [InlineData("bullshitting")]
    [InlineData("sh1t")]
    [InlineData("$h!t")]
    [InlineData("s h i t")]
    [InlineData("s.h.i.t")]
    [InlineData("s_h_i_t")]
    [InlineData("s🌉h🌉i🌉t")]
    [InlineData("s\nh\ni\nt")]
    [InlineData("sh it")]
    [InlineData("shhhiiiit")]
    [InlineData("s  hh  ii  t")]
    [InlineData("sh*t")]
    [InlineData("s**t")]
    [InlineData("şhït")]
    [InlineData("s\u0301h\u0323i\u0308t\u0300")]
    [InlineData("ѕһіт")]
    [InlineData("ｓｈｉｔ")]
    [InlineData("𝖘𝖍𝖎𝖙")]
    [InlineData("ⓢⓗⓘⓣ")]
    [InlineData("s\u200bh\u200di\u2060t")]
    [InlineData("s\u00adh\u00adi\u00adt")]
    [InlineData("\u202etihs\u202c")]
    [InlineData("tihs")]
    [InlineData("la mierda del puente")]
    [InlineData("m1érda")]
    [InlineData("coño")]
    [InlineData("con\u0303o")]
    [InlineData("gilipollas")]
    [InlineData("hijos de puta")]
    [InlineData("k i l l yourself")]
    public void It_finds_a_bad_word_however_it_is_written(string text) => Assert.NotEmpty(s_usual.Look(text));

    [Theory]
    [InlineData("Scunthorpe has a bridge")]
    [InlineData("We assess the class with compasses")]
    [InlineData("The pen is red, it's hit by rain")]
    [InlineData("An us and them")]
    [InlineData("A peacock sat on the cockpit")]
    [InlineData("Push it harder. This hits it.")]
    [InlineData("shiitake mushrooms on the deck")]
    [InlineData("5 h 17 min, 4 55, 455 + 1 = 456")]
    [InlineData("Disputa, computadora, diputado, reputación")]
    [InlineData("Un cono y un año")]
    [InlineData("Ich assistiere, мост держит вес, 桥")]
    [InlineData("**bold** and *stars* and ---")]
    [InlineData("The niggardly snigger of Wankel's engine")]
    [InlineData("I put. You put? We put-")]
    [InlineData("Yamashita, Kinoshita, Ishita, Harshit and Akshita built it")]
    [InlineData("Siriporn, Phúc, Assunta, Cassandra, Hancock and Dickens came")]
    [InlineData("Cockburn Town, Penistone, Essex, Lightwater, Clitheroe")]
    [InlineData("zaps")]
    [InlineData("")]
    public void It_leaves_innocent_words_alone(string text) => Assert.Empty(s_usual.Look(text));

    [Fact]
    public void A_word_that_is_split_over_two_texts_is_found_in_both()
    {
        var found = s_usual.Look("What the fu", "ck holds it?");
        Assert.Equal([new(FindingKind.Word, 0, 9, 2), new(FindingKind.Word, 1, 0, 2)], found);
        Assert.Empty(s_usual.Look("What holds", "it up?"));
    }

    [Fact]
    public void It_is_stronger_for_young_classes()
    {
        Assert.Empty(s_usual.Look("That is a stupid idea"));
        Assert.NotEmpty(s_young.Look("That is a stupid idea"));
        Assert.NotEmpty(s_young.Look("Eres t0nto"));
    }

    [Fact]
    public void A_teacher_adds_words_and_allows_others()
    {
        var screen = WordScreen.For(WordScreening.Usual with { ForYoung = true, Own = ["wobble", "*bendy*", "дурак", "two words"], Allowed = ["penis", "vagina"] })!;
        Assert.NotEmpty(screen.Look("It w0bbles"));
        Assert.NotEmpty(screen.Look("unbendyness"));
        Assert.NotEmpty(screen.Look("ты Дурак"));
        Assert.NotEmpty(screen.Look("only two words"));
        Assert.Empty(screen.Look("The wobbegong is a fish; one of two many words"));
        Assert.Empty(screen.Look("The penis and the vagina are organs"));
        Assert.NotEmpty(s_young.Look("The penis is an organ"));
    }

    [Theory]
    [InlineData("Call me: 612 345 678", FindingKind.Phone, "612 345 678")]
    [InlineData("+44 20 7946 0958 is ours", FindingKind.Phone, "+44 20 7946 0958")]
    [InlineData("my number 07700900123", FindingKind.Phone, "07700900123")]
    [InlineData("Write to maya.okoro@ostlebrook.example now", FindingKind.Email, "maya.okoro@ostlebrook.example")]
    [InlineData("maya (at) brook (dot) com", FindingKind.Email, "maya (at) brook (dot) com")]
    [InlineData("Look at https://brook.example/films", FindingKind.Link, "https://brook.example/films")]
    [InlineData("on www.brook.example", FindingKind.Link, "www.brook.example")]
    [InlineData("I live at 14 Mill Lane", FindingKind.Address, "14 Mill Lane")]
    [InlineData("Vivo en calle del Puente 12", FindingKind.Address, "calle del Puente 12")]
    public void Personal_details_are_found_where_it_is_wished(string text, FindingKind kind, string what)
    {
        Assert.Empty(s_usual.Look(text));
        var found = Assert.Single(s_details.Look(text));
        Assert.Equal((kind, what), (found.Kind, text.Substring(found.Start, found.Length)));
    }

    [Theory]
    [InlineData("3.14159265358 and 1,000,000,000")]
    [InlineData("The deck is 12 m long and 4 m wide")]
    [InlineData("In 1889 and 1937, 120 000 people")]
    [InlineData("Wait... what? e.g. arches. And so on.")]
    [InlineData("Meet at the bridge @ noon")]
    public void Numbers_and_sentences_are_no_personal_details(string text) => Assert.Empty(s_details.Look(text));

    [Fact]
    public void Dots_cover_what_was_found_and_nothing_else()
    {
        const string Text = "What the f u c k is 🌉 this sh1t?";
        Assert.Equal("What the • • • • is 🌉 this ••••?", WordScreen.Mask(Text, s_usual.Look(Text)));
    }

    [Theory]
    [InlineData('s')]
    [InlineData('1')]
    [InlineData('*')]
    [InlineData('\u202e')]
    [InlineData('\ud83c')]
    [InlineData('(')]
    public void A_hostile_text_is_looked_at_to_its_end(char of) => Assert.Empty(s_details.Look(new string(of, 20_000)));
}

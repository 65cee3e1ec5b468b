using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Yardang.Core.Lessons;

namespace Yardang.Data.School;

internal sealed class LessonConfiguration : IEntityTypeConfiguration<LessonRecord>
{
    public void Configure(EntityTypeBuilder<LessonRecord> builder)
    {
        builder.ToTable("Lessons");
        builder.Property(l => l.Code).HasConversion(code => code.Text, text => JoinCode.Read(text)!);
        builder.Property(l => l.Address).HasConversion(address => address!.Text, text => LessonAddress.Read(text)!);
        builder.Property(l => l.Parts).HasConversion<PartsAsJson, SameParts>();
        builder.HasIndex(l => l.Code).IsUnique();
        builder.HasIndex(l => l.Address).IsUnique();
        builder.HasIndex(l => l.EmbedKey).IsUnique();
        builder.HasIndex(l => l.OwnerId);
    }
}

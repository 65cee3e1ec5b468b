using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class LessonConfiguration : IEntityTypeConfiguration<LessonRecord>
{
    public void Configure(EntityTypeBuilder<LessonRecord> builder)
    {
        builder.ToTable("Lessons");
        builder.HasIndex(l => l.Code).IsUnique();
        builder.HasIndex(l => l.Address).IsUnique();
        builder.HasIndex(l => l.EmbedKey).IsUnique();
        builder.HasIndex(l => l.OwnerId);
    }
}

# frozen_string_literal: true

module SteadyMove
  module Web
    # What a page may show that a line of the journal changed.
    module Topics
      # Kinds of lines that change more than moves and names.
      OF = {
        "mail" => %w[post],
        "letter" => %w[post hands],
        "code-kept" => %w[codes],
        "code-differs" => %w[codes desk],
        "code-chosen" => %w[codes desk],
        "code-seen" => %w[codes],
        "code-checked" => %w[codes],
        "code-wiped" => %w[codes desk],
        "places" => %w[accounts names hands],
        "people" => %w[people],
        "rulebook" => %w[rulebook names],
        "stray" => %w[desk names],
        "record-changed" => %w[desk names],
        "registry-message" => %w[names],
        "zone_got" => %w[records],
        "carry_chosen" => %w[records],
        "carry_decided" => %w[records],
        "batch" => %w[batches],
        "tied" => %w[records],
        "servers-asked" => %w[records],
        "mailbox-proven" => %w[names hands]
      }.freeze
      # So many lines at once are as good as everything.
      MOST = 500

      module_function

      # journal: Store::Journal; seq: of the last line that was told. Returns words.
      def since(journal, seq)
        lines = journal.spoken_of_since(seq, MOST)
        return ["all"] if lines.size == MOST

        lines
          .flat_map do |type, move, name|
            [*OF[type], *(%w[desk moves hands] if move), *("names" if name)]
          end
          .uniq
      end
    end
  end
end

# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A message as JSON.
      module PostView
        SHOWN = %i[
          uid
          sender
          subject
          text
          at
          kind
          names
          deadline
          trust
          because
          move_id
          link
          corrected_by
          bodiless
        ].freeze
        # Characters of the text that stand in a list.
        EXCERPT = 1500

        module_function

        # row: of Store::Messages; over: ids of moves that wait for no answer any more; codes: what
        # may be codes in it, for whoever may pick one; whole: all of its text, also where it is
        # long; stray: the alarm that it tells of, as JSON, or nil; ordered: has a move of ours been
        # ordered that it can be about? Else nothing is offered to be approved.
        def message(row, now, over, codes: [], whole: false, stray: nil, ordered: true)
          asks =
            Core::Post::Lexicon.asks?(
              row[:kind],
              answers: !row[:letter_id].nil?,
              at: now,
              deadline: row[:deadline],
              sender: row[:trust],
              over: over.include?(row[:move_id]),
              passed: row[:facts]["passed"] == true
            )
          links = links(row, ordered)
          longer = !whole && row[:text].length > EXCERPT
          Json.value(
            row.slice(*SHOWN).merge(
              unicode: Json.shown(row[:names]),
              wants_answer: asks,
              links: links,
              codes: codes.map { |c| picked(c) },
              doubtful: row[:trust] == "doubtful",
              longer: longer,
              stray: stray,
              link: ordered ? row[:link] : nil,
              **(longer ? { text: row[:text][0, EXCERPT] } : {})
            )
          )
        end

        # A link that approves is shown only where somebody here ordered what it approves.
        def links(row, ordered)
          kept = row[:links].reject { |_, _, role, _| role == "approve" && !ordered }
          kept.map { |url, words, role, host| { url: url, words: words, role: role, host: host } }
        end

        # A code as it may be told from others: its length and its last sign.
        def picked(code) = { length: code.length, ends: code.length >= 8 ? code[-1] : "" }

        # Every kind of message with what it is called.
        def kinds
          Core::Post::Lexicon::IDS.map do |id|
            { id: id, title: Words.say(:"post.kinds.#{id}").sub(/\A\w/, &:upcase) }
          end
        end

        # Does a move's release wait for no answer any more?
        def over?(state)
          release = state.with_trait(:approval)
          state.ending || state.approved? || release.nil? || release.done? ||
            state.set_going_at(release.step.id)
        end
      end
    end
  end
end

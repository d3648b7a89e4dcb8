# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A message as JSON.
      module PostView
        SHOWN = %i[
          id
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

        # kept: Core::Post::Kept; over: ids of moves that wait for no answer any more; codes: what
        # may be codes in it, for whoever may pick one; whole: all of its text, also where it is
        # long; stray: the alarm that it tells of, as JSON, or nil; ordered: has a move of ours been
        # ordered that it can be about? Else nothing is offered to be approved. asked:
        # Desk::Mail::SenderQuestion::Question or nil.
        def message(kept, now, over, codes: [], whole: false, stray: nil, ordered: true, asked: nil)
          asks =
            Core::Post::Lexicon.asks?(
              kept.kind,
              answers: !kept.letter_id.nil?,
              at: now,
              deadline: kept.deadline,
              trust: kept.trust,
              over: over.include?(kept.move_id),
              passed: kept.passed?
            )
          links = links(kept, ordered)
          longer = !whole && kept.text.length > EXCERPT
          Json.value(
            SHOWN
              .to_h { |key| [key, kept.public_send(key)] }
              .merge(
                unicode: Json.shown(kept.names),
                wants_answer: asks,
                links: links,
                codes: codes.map { |c| picked(c) },
                doubtful: kept.doubtful?,
                longer: longer,
                stray: stray,
                asks_sender: asked && sender(asked),
                link: ordered ? kept.link : nil,
                **(longer ? { text: kept.text[0, EXCERPT] } : {})
              )
          )
        end

        def sender(asked)
          accounts = asked.accounts.map { |a| { id: a.id, title: a.title } }
          { domain: asked.domain, proven: asked.proven == true, accounts: accounts }
        end

        # A link that approves is shown only where somebody here ordered what it approves.
        def links(kept, ordered)
          offered = kept.links.reject { |link| link.role == "approve" && !ordered }
          offered.map do |link|
            told = link.to_h.slice(:url, :words).transform_values { |t| Core::Signs.shown(t.to_s) }
            { **told, role: link.role, host: link.host }
          end
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

# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # English. Its wording of kinds stands in the Lexicon.
        module En
          GAP = Language::GAP
          MONTHS = {
            "jan(?:uary)?" => 1,
            "feb(?:ruary)?" => 2,
            "mar(?:ch)?" => 3,
            "apr(?:il)?" => 4,
            "may" => 5,
            "june?" => 6,
            "july?" => 7,
            "aug(?:ust)?" => 8,
            "sept?(?:ember)?" => 9,
            "oct(?:ober)?" => 10,
            "nov(?:ember)?" => 11,
            "dec(?:ember)?" => 12
          }.freeze
          DAYS = {
            "mon(?:day)?" => 1,
            "tue(?:s(?:day)?)?" => 2,
            "wed(?:nesday)?" => 3,
            "thu(?:r(?:s(?:day)?)?)?" => 4,
            "fri(?:day)?" => 5,
            "sat(?:urday)?" => 6,
            "sun(?:day)?" => 0
          }.freeze
          NUMBERS =
            %w[
              one
              two
              three
              four
              five
              six
              seven
              eight
              nine
              ten
              eleven
              twelve
              thirteen
              fourteen
              fifteen
            ].each_with_index.to_h { |w, i| [w, i + 1] }.merge("thirty" => 30, "a" => 1).freeze
          NOT = "(?:not|n['’]t|never|without|rather\\sthan|instead\\sof)"
          YES =
            "(?:approv(?:e|al|ing)|accept(?:ing|ance)?|confirm(?:ing|ation)?|releas(?:e|ing)|" \
              "authori[sz](?:e|ing|ation)|agree|consent|allow)"

          WORDS =
            Language.new(
              id: "en",
              ended:
                /\b(?:transfer|order|move)\b#{GAP}{0,80}\b(?:did(?:\ not|n['’]t)\ (?:take\ place|
                  go\ through|
                  succeed|complete)|could\ not\ be\ (?:placed|completed|carried\ out|processed))|
                  \b(?:transfer|order|request)\b#{GAP}{0,50}\b(?:(?:has|have)\ been|was|
                  were)\ (?:refused|
                  rejected|declined|denied|cancell?ed|withdrawn|aborted)\b|
                  \b(?:transfer|order)\b#{GAP}{0,50}\b(?:has\ )?(?:failed|lapsed|expired)\b|
                  \brefused\b#{GAP}{0,20}\btransfer\b/ix,
              passed:
                /\b(?:identity|check|documents?)\b#{GAP}{0,60}\b(?:passed|completed?|accepted|
                  successful|
                  verified)\b/ix,
              approve: /(?<!\p{L})#{YES}(?!\p{L})/i,
              decline:
                /(?<!\p{L})(?:declin|reject|cancel|keep|stop|refus|den(?:y|ied)|object|abort|block|
                  disput|
                      disapprov|revok|withdraw|prevent|halt|unsubscrib)\w*/ix,
              refusal:
                /(?<!\p{L})(?:#{NOT}\b#{GAP}{0,30}?#{YES}|
                      did\ ?(?:not|n['’]t)\ (?:ask|request|order|initiate|start|make)|no,)/ix,
              unhappened: {
                inside:
                  /\b(?:will|shall|would|may|might|can|could|not|n['’]t|never|cannot|fail(?:ed|s|
                    ure)?|unable|
                       to\ be|
                       about\ to|going\ to|pending|being|need(?:s|ed)?|must|please|unsuccessful|
                       half|almost|nearly|
                       to\ (?:get|have)|incomplete|cancel(?:l?ed)?|rejected|declined|requested?|
                       initiated|started|isn['’]t)\b|(?:n['’]t)\b/ix,
                opening:
                  /\A\W*(?:once|when|as\ soon\ as|if|after|until|unless|before|upon|to|for)\b|
                        \b(?:once|when|as\ soon\ as|if|until|unless|before|after|
                        upon)\b[^.,;]*\z/ix,
                behind:
                  /\A\W*(?:once|when|if|as\ soon\ as|after|until|unless|within|in\ \d|by\ \d|soon|
                    later|shortly|
                       submitted|requested|initiated|started|received|ordered|queued)\b/ix
              },
              codes:
                "(?:(?:authori[sz]ation|auth|transfer|epp|release|registry|domain|unlock(?:ing)?|" \
                  "moving)[ -]?" \
                  "(?:auth(?:ori[sz]ation)?[ " \
                  "-]?)?(?:codes?|keys?|info(?:rmation)?|secrets?|tokens?|passwords?|" \
                  "passphrases?|pins?|id)|auth-?(?:info|codes?|keys?)|codes? of " \
                  "authori[sz]ation|epp|codes?|keys?)",
              leads:
                "(?:until|till|by|before|no later than|not later than|at the latest " \
                  "on|latest|deadline(?: is)?|" \
                  "due(?: by| on| date)?|expires?(?: on| at)?|ends?(?: on| at)?|closes?(?: on| " \
                  "at)?|" \
                  "lapses?(?: on| at)?|" \
                  "up to|on or before|prior to|time limit|last day)",
              within:
                "(?:within|inside|in(?= the next)|you (?:still )?have|have|open for|you(?:'ve| " \
                  "have) got|after|" \
                  "(?:link|request|page|form)\\b[^.\\n]{0,20}\\bvalid for|in)",
              asides:
                /\b(?:paid|registered|renewed|reserved|prepaid|covered|registration|renewal|renews?|
                     subscription|
                     certificate|invoice|offer|discount|voucher|price|campaign|coupon)\b|
                     \b(?:codes?|keys?|auth-?info|name|domain)\b[^.]{0,60}\b(?:valid|expir|ends?|
                     runs?|lapse|good|
                     stays)|
                     \b(?:expiry|expiration|renewal)\ date\b|\b(?:was|were)\ due\b|\bhad\ until\b|
                     \b(?:ended|
                     expired)\b|
                     \b(?:sent|received|created|requested|ordered|started)\ (?:on|at|before|by)\b|
                     \b(?:our|support|office)\ (?:team|office|hours|desk|is|
                     are)\b[^.]{0,40}\b(?:open|closed|answer)/ix,
              acts:
                /\b(?:respond|reply|answer|react|act|object|approv\w*|confirm\w*|cancel\w*|
                  reject\w*|declin\w*|
                   accept\w*|
                   refus\w*|click|hear|do\ nothing|action|contact\ us|verif\w*|validat\w*|unless|
                   if\ you|if\ we|
                   must|please|
                   you\ have|need(?:s|ed)?|send|upload|show|prove|deadline|link|requests?|form|
                   stop|release|log\ in|
                   sign\ in|return|submit|provide|complete|your\ (?:answer|reply|response|consent|
                   decision)|
                   no\ answer|
                   authori[sz]e|tell\ us|let\ us\ know|write)\b/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "h(?:ou)?rs?|h" => 3600,
                "(?:calendar |full )?days?|d" => 86_400,
                "weeks?" => 604_800,
                "(?:business|working|work)[ -]?days?" => :business
              }
            )
        end
      end
    end
  end
end

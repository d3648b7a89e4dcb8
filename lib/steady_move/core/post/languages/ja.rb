# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # Japanese: no blanks between words, and what has not happened is said at the end.
        module Ja
          GAP = "[^。\\n]"
          MOVE = "(?:移管|トランスファー|移転)"

          WORDS =
            Language.new(
              id: "ja",
              ended: /移管#{GAP}{0,40}(?:拒否|中止|失敗|取り消)/,
              answers: {
                "wants" => /(?:お送り|ご提出|ご連絡|ご確認|ご返信|お知らせ|送付)(?:ください|下さい|をお願い)|必要です/,
                "refused" => /できません|いたしかね|お断り|できかね/,
                "done" => /(?:解除|変更|送信|送付|削除|設定|完了)(?:いたし|し)ました/
              },
              passed: /(?:本人確認|身元確認|確認書類|書類)#{GAP}{0,30}(?:完了|承認|確認でき|済み|問題ありません)/,
              marker: /[\p{Hiragana}\p{Katakana}]/,
              kinds: {
                "landed" => [
                  [
                    5,
                    /#{MOVE}#{GAP}{0,20}(?:完了(?:し(?:ました|て)|いたし|のお知らせ|のご案内|通知|\z)|成功しました|済み)/,
                    :a_transfer_is_complete
                  ],
                  [
                    4,
                    /(?:当社|弊社)(?:の管理|で管理)#{GAP}{0,10}(?:となりました|になりました)/,
                    :the_name_is_held_there_now
                  ]
                ],
                "approval-request" => [
                  [
                    8,
                    /#{MOVE}#{GAP}{0,40}(?:承認|承諾|同意|許可)#{GAP}{0,20}(?:ください|下さい|お願い|必要|依頼)|
                  (?:承認|承諾)(?:の)?(?:ご)?(?:依頼|お願い)/x,
                    :it_asks_to_approve_a_transfer
                  ]
                ],
                "identity-check" => [[6, /本人確認|身分証(?:明書)?|パスポート/, :it_asks_who_you_are]],
                "contact-proof" => [
                  [8, /(?:メールアドレス|連絡先|登録者情報)#{GAP}{0,30}(?:確認|認証|検証)/, :it_asks_to_prove_an_address]
                ],
                "code" => [
                  [
                    5,
                    /(?:認証|オース|AUTH|Auth|移管|EPP|承認)[ -]?(?:コード|キー|鍵|Code|code|Info|info)|AuthCode|
                      AuthInfo|オースコード/x,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    6,
                    /(?:他社|他の(?:レジストラ|事業者|管理会社)|別の)#{GAP}{0,20}(?:へ|への)?#{GAP}{0,10}#{MOVE}/x,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [4, /#{MOVE}(?:の)?(?:申請|申請を受け|要求|リクエスト)|転出/, :the_name_is_about_to_leave],
                  [3, /(?:返信|回答|ご連絡|操作)がない場合|何も(?:され|し)ない場合/, :silence_lets_it_go_ahead],
                  [3, /拒否(?:する|される)(?:場合|には)/, :it_says_how_to_stop_a_transfer]
                ],
                "lock-notice" => [
                  [5, /(?:レジストラ|ドメイン|#{MOVE})ロック|ロック#{GAP}{0,10}解除/, :a_lock_was_set_or_taken_off]
                ],
                "hold" => [[14, /(?:ドメイン)#{GAP}{0,30}(?:停止|利用停止|凍結)/, :the_name_is_on_hold]],
                "unpaid" => [
                  [11, /(?:お支払い|決済|請求)#{GAP}{0,30}(?:失敗|未払い|未納|拒否|できません|確認できて)/, :a_payment_is_open]
                ],
                "receipt" => [
                  [5, /領収書|請求書|お支払い|ご入金|注文確認/, :it_is_about_a_payment],
                  [2, /合計|税込|消費税/, :it_holds_a_sum]
                ],
                "offer" => [[5, /割引|特別(?:価格|オファー)|キャンペーン|クーポン|お得/, :it_wants_you_to_stay]]
              },
              approve: /(?<!不)(?:承認|承諾|許可|同意)/,
              decline: /拒否|却下|取消|取り消|キャンセル|中止|維持|停止|不承認/,
              refusal: /(?:承認|承諾|許可|同意)(?:し|され|いたし)(?:ない|ません)/,
              unhappened: {
                inside: /できません|失敗|未完了|中です|まだ/,
                opening: /\z\A/,
                behind:
                  /\A(?:する|し(?:次第|ていません|ません|たら|ましたら|ない)|次第|されて|予定|まで|後|すると|できません|でき|
                    いたし(?:ません|次第)|いません|おりません|いない|ますか|でしょうか)/x
              },
              wrote: "書きました|のメール",
              earlier: "元のメッセージ|転送メッセージ|お客様からのメッセージ",
              headers: %w[差出人 送信日時 宛先 件名 日付],
              footer: "このメールは",
              mailing: /配信停止|購読(?:解除|停止)|配信を停止/i,
              of_codes: /\A\W{0,3}(?:の)?(?:状態|有効|送信|発行日)/,
              halves: /前半|後半|半分/,
              no_codes: [],
              codes: "(?:(?:認証|オース|AUTH|移管|EPP|承認)[ -]?(?:コード|キー|鍵|Code|Info)|AuthCode|AuthInfo)",
              leads: "(?:期限|締切|回答期限|有効期限)",
              within: "",
              asides: /支払|登録期間|更新期限|請求|キャンペーン|コード#{GAP}{0,10}有効/,
              acts: /承認|回答|返信|連絡|確認|操作|拒否|期限|リンク|ください/,
              months: {
              },
              weekdays: {
                "月曜日?" => 1,
                "火曜日?" => 2,
                "水曜日?" => 3,
                "木曜日?" => 4,
                "金曜日?" => 5,
                "土曜日?" => 6,
                "日曜日?" => 0
              },
              numbers: {
              },
              units: {
                "時間(?:以内)?" => 3600,
                "日(?:間)?(?:以内)" => 86_400,
                "週間(?:以内)?" => 604_800,
                "営業日(?:以内)?" => :business
              }
            )
        end
      end
    end
  end
end

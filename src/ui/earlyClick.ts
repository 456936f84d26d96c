/*
 * Stands in the page's first bytes, as text. Until the page has woken up (its scripts are loaded and attached: Awake says
 * so), a press on a control that needs them would be lost: the last one is kept and done a moment after. Links and
 * buttons that send a form work without scripts and are left alone. A page that never says so gets the press after five
 * seconds all the same.
 */
export const earlyClick = `(function(){
var kept=null;
var controls='button,[role=button],[role=tab],[role=switch],label,input[type=radio],input[type=checkbox]';
function again(since){setTimeout(function(){
  if(!window.awake&&Date.now()-since<5000)return again(since);
  window.awake=true;
  setTimeout(function(){
    var at=kept.at;
    if(!at.isConnected){var now=document.elementFromPoint(kept.x,kept.y);at=now&&now.closest(controls)||at}
    kept=null;at.click()
  },60)
},30)}
addEventListener('click',function(event){
  if(window.awake||!event.isTrusted)return;
  var at=event.target.closest&&event.target.closest(controls);
  if(!at||at.closest('a[href]')||(at.tagName==='BUTTON'&&at.type==='submit'&&at.form))return;
  event.preventDefault();event.stopImmediatePropagation();
  var first=!kept;kept={at:at,x:event.clientX,y:event.clientY};if(first)again(Date.now())
},true)})()`;
